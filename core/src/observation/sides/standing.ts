import type { Game } from '../../records/schema';
import { listed } from '../../words/listed';
import { sumWords } from './amount';
import type { SideScore } from './scores';

/** More sides than that do not stand in a sentence that is read across a room. */
const mostNamed = 2;

/**
 * Who leads, or, of a game that has ended, who won, in one sentence.
 * @example "Star leads with 12, 3 ahead of Ring." "Star and Ring lead with 12 each." "Nobody has points yet."
 */
export function standingSentence(
  game: Pick<Game, 'sides' | 'endedAt'>,
  scores: readonly SideScore[],
): string {
  const ended = game.endedAt !== null;
  const nameOf = ({ side }: SideScore) => game.sides[side]?.name ?? '';
  const first = scores.filter(({ place }) => place === 1);
  const [top] = first;
  if (!top || scores.every(({ byRound }) => byRound.every((points) => points === 0)))
    return ended ? 'Nobody had points.' : 'Nobody has points yet.';
  if (first.length === scores.length) return `All ${ended ? 'ended' : 'stand'} at ${sumWords(top.points)}.`;
  if (first.length > 1)
    return `${listed(first.map(nameOf))} ${ended ? 'share the first place' : 'lead'} with ${sumWords(top.points)} each.`;
  const behind = Math.max(...scores.filter(({ place }) => place > 1).map(({ points }) => points));
  const second = scores.filter(({ points }) => points === behind);
  const isAll = second.length > 1 && second.length === scores.length - 1;
  const some = second.length > mostNamed ? `${second.length} others` : listed(second.map(nameOf));
  const others = isAll ? 'all others' : some;
  return `${nameOf(top)} ${ended ? 'won' : 'leads'} with ${sumWords(top.points)}, ${top.points - behind} ahead of ${others}.`;
}
