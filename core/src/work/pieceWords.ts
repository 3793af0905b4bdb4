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

/** Said of a piece of work and of how it came: when it was due and handed back, and how many stand how. */
export function pieceWords(
  piece: Pick<Piece, 'dueAt'>,
  digest: Omit<PieceDigest, 'workId'>,
): { when: string; came: string } {
  const { feedbackDaysMedian: back, waiting, percentMedian } = digest;
  const when = [
    dueWords(piece),
    back === null ? '' : `handed back after ${back < 1 ? 'less than a day' : many(Math.round(back), 'day')}`,
    waiting > 0 ? `${waiting} ${waiting === 1 ? 'waits' : 'wait'} for you` : '',
  ];
  const counts = (['on_time', 'late', 'missing', 'excused', 'not_due', 'unknown'] as const)
    .filter((status) => digest[status] > 0)
    .map((status) => `${digest[status]} ${statusWords[status]}`);
  const median = percentMedian === null ? '' : `; half of them ${Math.round(percentMedian)} % or more`;
  return { when: when.filter(Boolean).join(' · '), came: counts.join(', ') + median };
}
