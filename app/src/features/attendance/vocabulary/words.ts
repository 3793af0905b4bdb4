import { many } from '@slate-path/core/words/many';
import type { Standing } from '@slate-path/core/records/schema';

/** Whose history the changes of the vocabulary are. */
export const about = 'standings';

export const countsAsWords: Record<Standing['countsAs'], string> = {
  here: 'Here',
  late: 'Late',
  left_early: 'Left early',
  away: 'Away',
  not_counted: 'Set aside',
};

export const marksWords = (marks: number) => many(marks, 'mark');

/** What a kind means for the sums, in one line. */
export function meaningOf({ countsAs, credit, excused }: Standing): string {
  const kind = `counts as ${countsAsWords[countsAs].toLowerCase()}`;
  if (countsAs === 'not_counted') return 'does not count';
  return [kind, `credit ${credit}`, excused ? 'excused' : ''].filter(Boolean).join(' · ');
}

/** The last one of its meaning must stay: the roll could not be taken without it. */
export function isLastOfItsKind(standing: Standing, inUse: readonly Standing[]): boolean {
  return !inUse.some(
    (other) =>
      other.id !== standing.id && other.countsAs === standing.countsAs && other.excused === standing.excused,
  );
}
