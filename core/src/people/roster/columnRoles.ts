/** What a column of a roster holds. */
export const columnRoles = [
  'name',
  'given_name',
  'family_prefix',
  'family_name',
  'called',
  'email',
  'grade',
  'cohort',
  'id',
  'guardian1_name',
  'guardian1_email',
  'guardian1_phone',
  'guardian2_name',
  'guardian2_email',
  'guardian2_phone',
  'ignored',
] as const;
export type ColumnRole = (typeof columnRoles)[number];
