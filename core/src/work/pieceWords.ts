import { format, parseISO } from 'date-fns';
import { many } from '../words/many';
import type { Piece, PieceDigest } from './digest';
import type { PieceStatus } from './pieceStatus';

/** How a piece stands, on screens. */
export const statusWords: Record<PieceStatus, string> = {
  on_time: 'on time',
  late: 'late',
  missing: 'missing',
  excused: 'excused',
  not_due: 'not due yet',
  unknown: 'nothing known',
};

/** When a piece is due. */
export const dueWords = ({ dueAt }: Pick<Piece, 'dueAt'>): string =>
  dueAt === null ? 'no day' : `due ${format(parseISO(dueAt), 'EEE d MMM, HH:mm')}`;

/** How long it took to hand it back: elapsed days, and where they are known how many of them had school. */
function backWords(digest: Pick<PieceDigest, 'feedbackDaysMedian' | 'feedbackSchoolDaysMedian'>): string {
  const { feedbackDaysMedian: days, feedbackSchoolDaysMedian: ofSchool } = digest;
  if (days === null) return '';
  if (days < 1) return 'handed back after less than a day';
  const school = ofSchool === null ? '' : ` (${many(Math.round(ofSchool), 'school day')})`;
  return `handed back after ${many(Math.round(days), 'day')}${school}`;
}

/** Said of a piece of work and of how it came: when it was due and handed back, and how many stand how. */
export function pieceWords(
  piece: Pick<Piece, 'dueAt'>,
  digest: Omit<PieceDigest, 'workId'>,
): { when: string; came: string } {
  const { waiting, percentMedian } = digest;
  const when = [
    dueWords(piece),
    backWords(digest),
    waiting > 0 ? `${waiting} ${waiting === 1 ? 'waits' : 'wait'} for you` : '',
  ];
  const counts = (['on_time', 'late', 'missing', 'excused', 'not_due', 'unknown'] as const)
    .filter((status) => digest[status] > 0)
    .map((status) => `${digest[status]} ${statusWords[status]}`);
  const median = percentMedian === null ? '' : `; half of them ${Math.round(percentMedian)} % or more`;
  return { when: when.filter(Boolean).join(' · '), came: counts.join(', ') + median };
}
