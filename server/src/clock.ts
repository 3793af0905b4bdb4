/** The present moment, in milliseconds since the epoch. */
export type Clock = () => number;

/**
 * The machine's clock, or the one that SLATE_NOW sets for pictures and tests.
 * @param set an ISO moment at which it stands still @param runs whether it goes on from there instead
 * @throws a plain error when it is no moment
 */
export function clockFrom(set: string | undefined, runs: boolean): Clock {
  if (!set) return Date.now;
  const moment = Date.parse(set);
  if (Number.isNaN(moment)) throw new Error(`SLATE_NOW is no moment in time: ${set}`);
  const begun = Date.now();
  return () => (runs ? moment + Date.now() - begun : moment);
}
