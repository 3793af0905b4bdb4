import seedrandom from 'seedrandom';

/** Someone who may be drawn. */
export interface TurnCandidate {
  studentId: string;
  /** Times heard in the last week: wanted tallies, and turns in which they spoke. */
  heard: number;
  /** Times drawn in this lesson. */
  drawn: number;
}

/** A student's chance in one draw; weights need not add up to one. */
export interface TurnChance {
  studentId: string;
  weight: number;
}

/** One draw in ten may go to somebody who had a turn, so that nobody can be sure to be done. */
export const repeatsPerStudent = 1 / 10;
const repeatWeight = 1 / 8;

/** The rule, as the page says it. */
export const turnRule =
  'Everyone who is here gets a turn before anybody gets a second one, except for up to one draw in ten: ' +
  'nobody can be sure that their turn is over. Whoever was heard least this week is the likeliest: ' +
  'somebody heard once has half the chance of somebody not heard at all, somebody heard twice a third.';

/**
 * The chances of the next draw. A round ends when all have been drawn as often; within it a second turn
 * is possible for at most a tenth of those who are here, never a third. So forty draws among up to 36
 * reach everyone, before anyone comes three times.
 * @param last whoever was just drawn or skipped, and is not drawn twice running (unless alone)
 */
export function turnChances(candidates: readonly TurnCandidate[], last: string | null): TurnChance[] {
  const others = candidates.filter(({ studentId }) => studentId !== last);
  const among = others.length > 0 ? others : candidates;
  const least = Math.min(...candidates.map(({ drawn }) => drawn));
  const repeats = candidates.reduce((sum, { drawn }) => sum + Math.max(drawn - least - 1, 0), 0);
  const mayRepeat = repeats < Math.floor(candidates.length * repeatsPerStudent);
  // Where only the one just skipped is still due, the next round's first come in between.
  const due = Math.min(...among.map(({ drawn }) => drawn));
  const open = among.filter(({ drawn }) => drawn === due || (mayRepeat && drawn === least + 1));
  return open.map(({ studentId, heard, drawn }) => ({
    studentId,
    weight: (drawn === due ? 1 : repeatWeight) / (1 + heard),
  }));
}

/**
 * Draws one of them. The same chances and seed give the same student, so that a draw can be checked.
 * Source: weighted choice by the cumulative sum, with David Bau's seeded generator (ARC4).
 * @returns null when there is nobody
 */
export function drawTurn(chances: readonly TurnChance[], seed: number): string | null {
  const total = chances.reduce((sum, { weight }) => sum + weight, 0);
  let point = seedrandom(String(seed))() * total;
  for (const { studentId, weight } of chances) {
    point -= weight;
    if (point < 0) return studentId;
  }
  return chances.at(-1)?.studentId ?? null;
}
