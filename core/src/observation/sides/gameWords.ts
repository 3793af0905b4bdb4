import { many } from '../../words/many';
import type { GameOfStudent } from './ofStudent';
import type { SideScore } from './scores';

const ordinals = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth'];

/** "first of 4"; "first of 4, with another side" where the place is shared. */
export function placeWords({ place }: Pick<SideScore, 'place'>, scores: readonly SideScore[]): string {
  const others = scores.filter((one) => one.place === place).length - 1;
  const shared = others === 0 ? '' : others === 1 ? ', with another side' : `, with ${others} other sides`;
  return `${ordinals[place - 1] ?? String(place)} of ${scores.length}${shared}`;
}

/** What a game was for a student: "Seaweeds: in Star, first of 4; 3 points earned". */
export function gameWords({ game, side, score, scores, own }: GameOfStudent): string {
  const earned = own === 0 ? '' : `; ${many(own, 'point')} earned`;
  return `${game.name || 'A game'}: in ${side}, ${placeWords(score, scores)}${earned}`;
}
