/** The pages of a student, by what the address says. */
export const studentTabs = {
  path: 'Path',
  record: 'Record',
  work: 'Work',
  notes: 'Notes',
  contact: 'Contact',
  shared: 'Shared',
} as const;
export type StudentTab = keyof typeof studentTabs;

/** @param asked as the address has it */
export const studentTabOf = (asked: string | undefined): StudentTab =>
  asked !== undefined && asked in studentTabs ? (asked as StudentTab) : 'path';
