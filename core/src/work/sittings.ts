/** A time in which a student worked without a long pause. */
export interface Sitting {
  /** Local moments of the first and the last action. */
  from: string;
  to: string;
  actions: number;
  /** From the first to the end of the last, in minutes. */
  minutes: number;
}

/** A pause longer than this ends a sitting, in minutes: nobody knows what was done in it. */
export const longestPause = 30;

const minuteOf = (moment: string) => Date.parse(`${moment}Z`) / 60_000;

/** Minutes from one local moment to a later one of the same day. */
export const minutesBetween = (from: string, to: string): number => minuteOf(to) - minuteOf(from);

/**
 * The sittings of a day, an estimate: actions that follow each other within half an hour belong together; the time of
 * the last one counts only as far as it is known. (What is read off the screen leaves no trace.)
 * @param actions in the order of time
 */
export function sittingsOf(actions: readonly { at: string; seconds: number | null }[]): Sitting[] {
  const sittings: (Sitting & { end: number })[] = [];
  for (const { at, seconds } of actions) {
    const end = minuteOf(at) + (seconds ?? 0) / 60;
    const last = sittings.at(-1);
    if (last && minuteOf(at) - last.end <= longestPause) {
      last.to = at;
      last.actions += 1;
      last.end = Math.max(last.end, end);
      last.minutes = last.end - minuteOf(last.from);
    } else sittings.push({ from: at, to: at, actions: 1, minutes: (seconds ?? 0) / 60, end });
  }
  return sittings.map(({ end: _end, ...sitting }) => sitting);
}
