import { many } from '../words/many';
import type { Sentence } from '../words/sentence';

/** Which page of the student a phrase opens. */
export type StudentPhrase = 'record' | 'notes';

export interface StudentToSay {
  /** Over all classes, this term: lessons taken, how many were missed, and how often it was late. */
  taken: number;
  missed: number;
  late: number;
  notes: number;
  /** Whether something concerns the teacher; what it is stands below, with its proof. Null: not told yet. */
  concerns: number | null;
}

/** How a student has been doing this term, in words. */
export function studentSentence({
  taken,
  missed,
  late,
  notes,
  concerns,
}: StudentToSay): Sentence<StudentPhrase> {
  const there: Sentence<StudentPhrase> =
    taken === 0
      ? ['No lesson was taken yet']
      : [
          'There in ',
          { words: `${taken - missed} of ${many(taken, 'lesson')}`, to: 'record' },
          late === 0 ? '' : `, late in ${late}`,
        ];
  return [
    ...there.filter((part) => part !== ''),
    ...(notes === 0 ? ['; no notes'] : ['; ', { words: many(notes, 'note'), to: 'notes' as const }]),
    concerns === 0 ? '; nothing stands out.' : '.',
  ];
}
