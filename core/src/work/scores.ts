import { isHandedIn, type HandInFacts } from './pieceStatus';
import { wholeMoment } from './wholeMoment';

/** A score as it is known at a moment: not before its work was handed in, nor before it was handed back. */
export function knownScore(handIn: HandInFacts, asOf: string): number | null {
  const { handedInAt, handedBackAt, score } = handIn;
  if (handedInAt !== null && !isHandedIn(handIn, asOf)) return null;
  if (handedBackAt !== null && wholeMoment(handedBackAt) > wholeMoment(asOf)) return null;
  return score;
}

/** One score in percent of the points. @returns null without points, or where they are none */
export const scorePercent = (score: number | null, points: number | null): number | null =>
  score === null || points === null || points <= 0 ? null : (100 * score) / points;

/**
 * An average that gives each piece the weight of its points: 100 times the sum of the scores over the sum of the
 * points. (The other convention, the mean of percents, gives all pieces the same weight.)
 * @returns null where nothing has both
 */
export function weightedPercent(
  scored: Iterable<{ score: number | null; points: number | null }>,
): number | null {
  let scores = 0;
  let all = 0;
  for (const { score, points } of scored) {
    if (score === null || points === null) continue;
    scores += score;
    all += points;
  }
  return all > 0 ? (100 * scores) / all : null;
}
