import { many } from '../../words/many';
import type { Sentence } from '../../words/sentence';
import type { LookFor } from '../../records/schema';
import { durationWords } from './duration';

/** Each phrase opens a choice: what was looked for, when, of whom, how it is put together and shown. */
export type CountsPhrase = 'look_for' | 'span' | 'student' | 'grouping' | 'numbers' | 'picture';

export interface CountsToSay {
  lookFor: Pick<LookFor, 'name' | 'measure'>;
  /** As "Autumn term". */
  span: string;
  /** The student's name; null for the whole class. */
  student: string | null;
  /** Tallies, or seconds, in all. */
  amount: number;
  /** The same per observed hour of a student; null where nothing was observed. */
  perHour: number | null;
  /** Lessons in which somebody tallied. */
  lessons: number;
  /** As they stand in the choices: "By week", "per observed hour", "chart". */
  grouping: string;
  numbers: string;
  picture: string;
}

const amountWords = ({ measure }: CountsToSay['lookFor'], amount: number) =>
  measure === 'seconds' ? durationWords(amount) : many(amount, 'time');
const rateWords = ({ measure }: CountsToSay['lookFor'], perHour: number) =>
  measure === 'seconds' ? durationWords(perHour) : String(Math.round(perHour * 10) / 10);

/** What was counted of one look-for over some weeks, in words. */
export function countsSentence(said: CountsToSay): Sentence<CountsPhrase> {
  const { lookFor, span, student, amount, perHour, lessons, grouping, numbers, picture } = said;
  const rate = perHour === null ? '' : `, ${rateWords(lookFor, perHour)} an hour of a student`;
  return [
    { words: lookFor.name, to: 'look_for' },
    ' in ',
    { words: span, to: 'span' },
    ...(student === null ? [] : [' of ', { words: student, to: 'student' as const }]),
    `: ${amountWords(lookFor, amount)} in ${many(lessons, 'observed lesson')}${rate}. `,
    { words: grouping, to: 'grouping' },
    ', ',
    { words: numbers, to: 'numbers' },
    ', as a ',
    { words: picture, to: 'picture' },
    '.',
  ];
}
