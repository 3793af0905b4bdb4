import type { Game } from '../../records/schema';

export type GameClock = NonNullable<Game['clock']>;

/** What is left on a clock, in seconds, at least 0. @param now milliseconds since 1970 */
export function secondsLeft({ leftSeconds, runningSince }: GameClock, now: number): number {
  if (runningSince === null) return leftSeconds;
  // Devices' clocks differ by a little: one that was started in the future has not begun to run.
  return Math.max(0, leftSeconds - Math.max(0, now - Date.parse(runningSince)) / 1000);
}

/** The clock as it is once it runs; one that has run out begins anew. @param now milliseconds since 1970 */
export function started(clock: GameClock, now: number): GameClock {
  const left = secondsLeft(clock, now);
  return {
    ...clock,
    leftSeconds: left > 0 ? left : clock.lengthSeconds,
    runningSince: new Date(now).toISOString(),
  };
}

/** The clock as it is once it stands. @param now milliseconds since 1970 */
export function stopped(clock: GameClock, now: number): GameClock {
  return { ...clock, leftSeconds: secondsLeft(clock, now), runningSince: null };
}

/** A clock that stands at its beginning. @param lengthSeconds 1 to 36,000 */
export function clockOf(lengthSeconds: number): GameClock {
  return { lengthSeconds, leftSeconds: lengthSeconds, runningSince: null };
}

/** "4:05", and from an hour on "1:04:05"; begun seconds count, so that 0:00 is the end. */
export function clockWords(seconds: number): string {
  const whole = Math.ceil(seconds);
  const two = (value: number) => String(value).padStart(2, '0');
  const [hours, minutes] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60];
  return hours > 0 ? `${hours}:${two(minutes)}:${two(whole % 60)}` : `${minutes}:${two(whole % 60)}`;
}
