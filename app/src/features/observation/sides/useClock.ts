import { useEffect, useState } from 'react';
import { secondsLeft, type GameClock } from '@slate-path/core/observation/sides/clock';
import { now } from '../../../sync/clock';

const everyMs = 250;

/** The seconds that are left on a clock, renewed while it runs; null where there is none. */
export function useSecondsLeft(clock: GameClock | null): number | null {
  const [at, setAt] = useState(now);
  const running = clock !== null && clock.runningSince !== null && secondsLeft(clock, at) > 0;
  useEffect(() => {
    setAt(now());
    if (!running) return undefined;
    const timer = setInterval(() => {
      setAt(now());
    }, everyMs);
    return () => {
      clearInterval(timer);
    };
  }, [clock, running]);
  return clock === null ? null : secondsLeft(clock, at);
}
