import type { Given } from '@slate-path/core/api/contract';
import type { Records } from '@slate-path/core/records/records';
import type { Section, Student } from '@slate-path/core/records/schema';
import { addDays } from '@slate-path/core/calendar/localTime';
import type { PageLanguage } from '@slate-path/core/sharing/readerPage/language';
import { usualDays, type ReaderRelation } from '@slate-path/core/sharing/readerPage/limits';
import { readDate } from '../../../forms/readDate';

/** Of whom a page is begun: a student, or a class as a whole, without names. */
export type Subject = { student: Student; section: null } | { student: null; section: Section };

export type PageToMake = Given<'makePage', 'body'>;

/** What a teacher chooses and types for a reader's page, as it stands in the fields. */
export interface PageForm {
  reader: string;
  relation: ReaderRelation;
  email: string;
  language: PageLanguage;
  from: string;
  to: string;
  isKeptUp: boolean;
  until: string;
  parts: ReadonlySet<Part>;
  /** By look-for: what is said of it. */
  comments: Readonly<Record<string, string>>;
  lookForIds: ReadonlySet<string>;
  /** What was watched closely; what is said of each stands among the comments. */
  planIds: ReadonlySet<string>;
  /** Of whom it tells besides the student whose page it was begun on. */
  others: ReadonlySet<string>;
  noteIds: ReadonlySet<string>;
  stepIds: ReadonlySet<string>;
  summary: string;
  code: string;
  mayWriteBack: boolean;
}

export const partNames = {
  presence: 'Attendance',
  engagement: 'Engagement',
  work: 'Pieces of work',
  circles: 'From discussions: feedback and goals',
  nods: 'Nods',
  weather: 'Inner weather',
} as const;
export type Part = keyof typeof partNames;

/** A page as it is begun: attendance of the term so far, open for two weeks; of a student for home, of a class for a head. */
export function newForm(from: string, today: string, { section }: Subject): PageForm {
  return {
    reader: '',
    relation: section ? 'head' : 'home',
    email: '',
    language: 'en',
    from,
    to: today,
    isKeptUp: true,
    until: addDays(today, usualDays),
    parts: new Set(['presence']),
    comments: {},
    lookForIds: new Set(),
    planIds: new Set(),
    others: new Set(),
    noteIds: new Set(),
    stepIds: new Set(),
    summary: '',
    code: '',
    mayWriteBack: true,
  };
}

/** The summary that was written of a student's close watch; empty where there is none. */
export function writtenOfWatch(
  comments: Records['observationComment'],
  planId: string,
  studentId: string,
): string {
  return (
    Object.values(comments).find((one) => one.planId === planId && one.studentId === studentId)?.text ?? ''
  );
}

/** What is asked of the server for a form. */
export function pageToMake(form: PageForm, { student, section }: Subject): PageToMake {
  const { parts, comments, lookForIds, planIds, noteIds, stepIds } = form;
  return {
    settings: {
      studentIds: student ? [student.id, ...form.others] : [],
      sectionId: section?.id ?? null,
      reader: form.reader.trim(),
      relation: form.relation,
      language: form.language,
      from: readDate(form.from),
      to: form.isKeptUp ? null : readDate(form.to),
      presence: parts.has('presence'),
      engagement: parts.has('engagement'),
      work: parts.has('work'),
      weather: parts.has('weather'),
      circles: section === null && parts.has('circles'),
      nods: section === null && parts.has('nods'),
      lookFors: [...lookForIds].map((id) => ({ id, comment: comments[id] ?? '' })),
      observations: [...planIds].map((id) => ({ id, comment: comments[id] ?? '' })),
      noteIds: [...noteIds],
      stepIds: [...stepIds],
      summary: form.summary,
      mayWriteBack: form.mayWriteBack,
    },
    until: readDate(form.until),
    code: form.code,
    email: form.email.trim(),
  };
}
