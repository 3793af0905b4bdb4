import { many } from '../words/many';
import { percentOf } from '../words/percent';
import type { Sentence } from '../words/sentence';
import type { Totals } from './roll/totals';

/** A phrase opens the choice of the time, of how it is shown, or the lessons that were not taken. */
export type AttendancePhrase = 'span' | 'shown' | 'untaken';

export interface AttendanceToSay {
  /** What time it is about, as "November 2026" or "Autumn term". */
  span: string;
  /** How it is shown, as "added up"; null where there is no other way. */
  shown: string | null;
  /** Lessons whose roll nobody took. */
  untaken: number;
  /** Of everybody; null while they are not known: nothing would read as an answer. */
  totals: readonly Pick<Totals, 'taken' | 'away'>[] | null;
}

function figures(
  totals: NonNullable<AttendanceToSay['totals']>,
  untaken: number,
): Sentence<AttendancePhrase> {
  const taken = totals.reduce((sum, one) => sum + one.taken, 0);
  const away = totals.reduce((sum, one) => sum + one.away, 0);
  const left: Sentence<AttendancePhrase> = [
    { words: many(untaken, 'lesson'), to: 'untaken' },
    untaken === 1 ? ' was not taken' : ' were not taken',
  ];
  if (taken > 0)
    return [` ${percentOf(taken - away, taken)} were there`, ...(untaken > 0 ? ['; ', ...left] : [])];
  return untaken > 0 ? [' ', ...left] : [' no lesson was held'];
}

/** How a class was there over some time, in words; "away" as the class counts it. */
export function attendanceSentence({
  span,
  shown,
  untaken,
  totals,
}: AttendanceToSay): Sentence<AttendancePhrase> {
  return [
    totals === null ? 'Attendance in ' : 'In ',
    { words: span, to: 'span' },
    ...(totals === null ? [] : figures(totals, untaken)),
    ...(shown === null ? ['.'] : ['. Shown ', { words: shown, to: 'shown' as const }, '.']),
  ];
}
