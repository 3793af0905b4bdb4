import { many } from '../words/many';
import type { Sentence } from '../words/sentence';

/** The lists of Watch. */
export const watchParts = ['concerns', 'over_a_line', 'aside', 'cleared'] as const;
export type WatchPart = (typeof watchParts)[number];

/** What a phrase of Watch's sentence opens: one of its lists, or the choice of a class. */
export type WatchPhrase = WatchPart | 'class';

const verbs: Record<WatchPart, readonly [one: string, several: string]> = {
  concerns: ['needs you', 'need you'],
  over_a_line: ['is over a line', 'are over a line'],
  aside: ['is put aside', 'are put aside'],
  cleared: ['is as usual again', 'are as usual again'],
};

/**
 * Who needs the teacher, and who else stands on the list, in words.
 * @param counts students on each list; one child once, whatever number of classes and reasons
 * @param where the class that is looked at, or "all classes"; empty where there is only one
 */
export function watchSentence(
  counts: Readonly<Record<WatchPart, number>>,
  where: string,
): Sentence<WatchPhrase> {
  const { concerns } = counts;
  const others = watchParts.filter((part) => part !== 'concerns' && counts[part] > 0);
  return [
    { words: concerns === 0 ? 'Nobody' : many(concerns, 'student'), to: 'concerns' },
    ` ${verbs.concerns[concerns > 1 ? 1 : 0]}`,
    ...(where === '' ? [] : [' in ', { words: where, to: 'class' as const }]),
    '.',
    ...others.flatMap((part, index) => [
      index === 0 ? ' ' : index === others.length - 1 ? ' and ' : ', ',
      { words: String(counts[part]), to: part },
      ` ${verbs[part][counts[part] > 1 ? 1 : 0]}`,
    ]),
    ...(others.length > 0 ? ['.'] : []),
  ];
}
