import type { Draw } from '../../records/schema';
import { drawnOf, winnersOf } from './drawn';
import { lotOf, type Lot } from './lot';
import { restingAt, type PastDraw } from './turns';

/** What a draw is made of, besides its list. */
export type DrawOptions = Pick<
  Draw,
  | 'sectionId'
  | 'groupName'
  | 'at'
  | 'startsOn'
  | 'endsOn'
  | 'chances'
  | 'rest'
  | 'restWeeks'
  | 'wanted'
  | 'seed'
>;

/** The list of a draw: everybody with nods, and who of them had a turn in earlier ones. */
export function listFor(
  { at, chances, rest, restWeeks }: Pick<DrawOptions, 'at' | 'chances' | 'rest' | 'restWeeks'>,
  counts: ReadonlyMap<string, number>,
  earlier: readonly PastDraw[],
): Lot {
  return lotOf(counts, restingAt(earlier, at, { rest, restWeeks }), chances);
}

/**
 * A draw with its list and who was drawn.
 * @param counts nods by student @param earlier draws of the same class, or of the school
 */
export function makeDraw(
  options: DrawOptions,
  counts: ReadonlyMap<string, number>,
  earlier: readonly PastDraw[],
): Omit<Draw, 'id' | 'removed'> {
  const lot = listFor(options, counts, earlier);
  return { ...options, ...lot, winners: winnersOf(drawnOf({ ...options, ...lot })) };
}
