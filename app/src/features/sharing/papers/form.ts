import type { Given } from '@slate-path/core/api/contract';
import type { PageLanguage } from '@slate-path/core/sharing/readerPage/language';
import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import { readDate } from '../../../forms/readDate';

export const reportParts = ['presence', 'engagement', 'work', 'circles', 'nods', 'weather'] as const;
export type ReportPart = (typeof reportParts)[number];

/** What a teacher chooses and types for reports on students, as it stands in the fields. */
export interface ReportsForm {
  /** Left out of those who are in the class. */
  leftOut: ReadonlySet<string>;
  parts: ReadonlySet<ReportPart>;
  lookForIds: ReadonlySet<string>;
  sentences: boolean;
  language: PageLanguage;
  /** By student. */
  comments: Readonly<Record<string, string>>;
}

export const newReports: ReportsForm = {
  leftOut: new Set(),
  parts: new Set(['presence', 'engagement', 'work']),
  lookForIds: new Set(),
  sentences: true,
  language: 'en',
  comments: {},
};

interface Days {
  from: string;
  to: string;
}

/** What is asked of the server for a form. */
export function reportsToMake(
  { parts, lookForIds, sentences, language, comments }: ReportsForm,
  studentIds: string[],
  { from, to }: Days,
  paper: PaperSize,
): Given<'reports', 'body'> {
  const own = studentIds.flatMap((id) => (comments[id] ? [[id, comments[id]] as const] : []));
  return {
    ...{ studentIds, language, paper, sentences, from: readDate(from), to: readDate(to) },
    ...{ presence: parts.has('presence'), engagement: parts.has('engagement') },
    ...{ work: parts.has('work'), weather: parts.has('weather'), circles: parts.has('circles') },
    nods: parts.has('nods'),
    lookForIds: [...lookForIds],
    comments: Object.fromEntries(own),
  };
}
