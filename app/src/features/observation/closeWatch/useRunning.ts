import { useCallback, useEffect, useRef, useState } from 'react';
import { endOf, isOver, lastAnswerMs, placeOf } from '@slate-path/core/observation/closeWatch/course';
import { asksByInterval, type SignalWay } from '@slate-path/core/observation/closeWatch/limits';
import type { Observation } from '@slate-path/core/records/schema';
import { now } from '../../../sync/clock';
import { useRecords } from '../../../sync/useRecords';
import { lastShown, show } from './ownSessions';
import { endSession, isPaused, loseParts, moment } from './watching';

const everyMs = 200;
/** A page that was not shown for longer than this did not show the signal: the phone was locked, or slept. */
const gapMs = 5000;
const flashMs = 900;
const buzz = { signal: [220], end: [220, 140, 220, 140, 420] };

/** How much of a session this page missed until now, by the device's own clock; 0 where it missed nothing. */
function missedMs(id: string): number {
  const last = lastShown(id);
  const missed = last === undefined ? 0 : Date.now() - last;
  return missed > gapMs ? missed : 0;
}

/** A session as it stands, while it goes on. */
function known(id: string): Observation | undefined {
  const session = useRecords.getState().current.observation[id];
  return session?.endedAt === null && !session.removed ? session : undefined;
}

/** From now on nothing can be observed: the page is out of sight, or the teacher does something else. */
function loseSight(id: string): void {
  const session = known(id);
  if (!session || isPaused(session) || session.lost.some(({ to }) => to === null)) return;
  loseParts(session, [...session.lost, { from: moment(), to: null }]);
}

/** The page is seen again: what was missed is written down as lost. */
function seeAgain(session: Observation): void {
  const to = moment();
  const missed = missedMs(session.id);
  show(session.id, Date.now());
  if (session.lost.some((part) => part.to === null))
    loseParts(
      session,
      session.lost.map((part) => (part.to === null ? { ...part, to } : part)),
    );
  else if (missed > 0 && !isPaused(session))
    loseParts(session, [...session.lost, { from: moment(now() - missed), to }]);
}

/** Keeps the screen from going dark while something is watched, where the browser can. */
function useScreenOn(on: boolean): void {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return undefined;
    let lock: WakeLockSentinel | undefined;
    let isGone = false;
    const ask = () => {
      if (document.hidden) return;
      navigator.wakeLock.request('screen').then(
        (given) => {
          if (isGone) void given.release();
          else lock = given;
        },
        // A battery that runs low, or a browser that does not want to: the phone may be locked then, which is told.
        () => undefined,
      );
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      isGone = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [on]);
}

interface Running {
  /** The session's clock, milliseconds since 1970. */
  at: number;
  /** A signal is being given. */
  isFlashing: boolean;
  /** It is over, and the last answer can still be given. */
  isLastCall: boolean;
}

/**
 * A session that runs on this device: its clock, its signal at each interval, and its end. What the device could not
 * show, because it was locked or another page was in front, is written down as lost.
 */
export function useRunning(session: Observation, signal: SignalWay): Running {
  const [at, setAt] = useState(now);
  const [isFlashing, setFlashing] = useState(false);
  const place = useRef<string | null>(null);
  const give = useCallback(
    (pattern: number[]) => {
      // Not every phone can.
      if ((signal === 'both' || signal === 'vibration') && 'vibrate' in navigator) navigator.vibrate(pattern);
      if (signal === 'both' || signal === 'flash') {
        setFlashing(true);
        setTimeout(setFlashing, flashMs, false);
      }
    },
    [signal],
  );
  const { id } = session;
  useEffect(() => {
    const tick = () => {
      const current = known(id);
      if (document.hidden || !current) return;
      if (missedMs(id) > 0 || current.lost.some(({ to }) => to === null)) {
        seeAgain(current);
        place.current = null;
      }
      show(id, Date.now());
      const time = now();
      setAt(time);
      const over = isOver(current, time);
      const next = placeOf(current, time);
      const key = over ? 'over' : next === null ? null : `${next.index} ${String(next.isRecording)}`;
      if (place.current !== null && key !== place.current) give(over ? buzz.end : buzz.signal);
      place.current = key ?? 'runs';
      const hasAnswers = asksByInterval(current.method);
      if (over && (!hasAnswers || time - endOf(current, time) >= lastAnswerMs)) endSession(current);
    };
    tick();
    const timer = setInterval(tick, everyMs);
    const onSight = () => {
      if (document.hidden) loseSight(id);
      else tick();
    };
    const onLeave = () => {
      loseSight(id);
    };
    document.addEventListener('visibilitychange', onSight);
    window.addEventListener('pagehide', onLeave);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', onSight);
      window.removeEventListener('pagehide', onLeave);
      loseSight(id);
    };
  }, [id, give]);
  useScreenOn(session.endedAt === null && !isPaused(session));
  const over = isOver(session, at);
  return { at, isFlashing, isLastCall: over && session.endedAt === null };
}
