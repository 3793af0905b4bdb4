import type { Lesson, Tally } from '@slate-path/core/records/schema';
import { markId } from '@slate-path/core/attendance/roll/markId';
import { timerEnd, timerSeconds, type TimerEnd } from '@slate-path/core/observation/tallies/timers';
import { tallyHistory } from '@slate-path/core/observation/tallies/history';
import { partnerOf } from '../../attendance/lesson/lessons';
import { keyOf } from '../../attendance/lesson/marking';
import { now, zoneOf } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { sumsOf } from './tallySums';

const instant = () => new Date(now()).toISOString();

interface Seen {
  /** The lesson the student is in: of two with one roll, the own. */
  lesson: Lesson;
  studentId: string | null;
  lookForId: string;
  circleId?: string;
}

/** A lesson's key in a change, and that of the class on the same roll: whoever looks, looks at both. */
export function lookedAt(lesson: Lesson) {
  const partner = partnerOf(lesson, useRecords.getState().current);
  return { lesson: keyOf(lesson), ...(partner ? { together: keyOf(partner) } : {}) };
}

/** Stops a timer now, or where it would have ended by itself. */
function stop(tally: Tally, history: string): void {
  const { id, lessonId } = tally;
  const end = endOfTimer(tally);
  const until = Math.min(now(), end?.at ?? Infinity);
  makeChange('tally.stop', { id, lessonId, amount: timerSeconds(tally, until) }, history);
}

/** When a running timer ends by itself; null where its lesson is not known here. */
export function endOfTimer(tally: Tally): TimerEnd | null {
  const { current } = useRecords.getState();
  const lesson = current.lesson[tally.lessonId];
  if (!lesson) return null;
  const mark = tally.studentId === null ? undefined : current.mark[markId(lesson.id, tally.studentId)];
  return timerEnd(tally, lesson, mark, zoneOf(Object.values(current.school)[0]));
}

/** Says how long a timed one was. @param seconds from 1 */
export function settleTimer({ id, lessonId }: Tally, seconds: number): void {
  makeChange('tally.stop', { id, lessonId, amount: seconds, unsure: false }, tallyHistory(lessonId));
}

/**
 * One tap: a stroke more; a tick, or none if it was ticked; a timed one begins, or stops.
 * @param history whose last change *Take back* takes back: the page's lesson, or the circle
 */
export function tallyOnce({ lesson, studentId, lookForId, circleId }: Seen, history: string): void {
  const { current } = useRecords.getState();
  const measure = current.lookFor[lookForId]?.measure ?? 'count';
  const own = () =>
    Object.values(current.tally).filter(
      (t) => !t.removed && t.lessonId === lesson.id && t.studentId === studentId && t.lookForId === lookForId,
    );
  if (measure === 'tick') {
    const ticked = own()[0];
    if (ticked) {
      makeChange('tally.remove', { id: ticked.id, lessonId: lesson.id }, history);
      return;
    }
  }
  if (measure === 'seconds') {
    const running = sumsOf(current, lesson.id, studentId).running.find((t) => t.lookForId === lookForId);
    if (running) {
      stop(running, history);
      return;
    }
  }
  const tally = {
    id: newId(),
    studentId,
    lookForId,
    at: instant(),
    amount: measure === 'seconds' ? null : 1,
    circleId: circleId ?? null,
  };
  makeChange('tally.add', { ...lookedAt(lesson), tallies: [tally] }, history);
}

/** A number set right by hand; the correction stays on record. */
export function correctCount(
  { lesson, studentId, lookForId }: Omit<Seen, 'circleId'>,
  from: number,
  to: number,
): void {
  const timed = useRecords.getState().current.lookFor[lookForId]?.measure === 'seconds';
  makeChange(
    'tally.correct',
    { lesson: keyOf(lesson), id: newId(), studentId, lookForId, at: instant(), from, to, timed },
    tallyHistory(lesson.id),
  );
}

/** From now on this lesson is observed, also if nothing is seen. */
export function beginTallying(lesson: Lesson, focusId: string | null): void {
  const kept = useRecords.getState().current.tallying[lesson.id];
  const onAt = kept && !kept.removed ? kept.onAt : instant();
  makeChange('tallying.set', { ...lookedAt(lesson), onAt, offAt: null, focusId }, tallyHistory(lesson.id));
}

/** Nobody looks any more: what is not seen from here on says nothing. Timed ones that run are stopped. */
export function endTallying(lesson: Lesson): void {
  const { current } = useRecords.getState();
  const kept = current.tallying[lesson.id];
  if (!kept) return;
  const history = tallyHistory(lesson.id);
  const both = lookedAt(lesson);
  for (const tally of Object.values(current.tally))
    if (!tally.removed && tally.amount === null && [lesson.id, both.together?.id].includes(tally.lessonId))
      stop(tally, history);
  const { onAt, focusId } = kept;
  makeChange('tallying.set', { ...both, onAt, offAt: instant(), focusId }, history);
}
