import { useCallback } from 'react';
import { instantOf, localMoment } from '@slate-path/core/calendar/zone';
import { toneCourse, type ToneStep } from '@slate-path/core/observation/tone/course';
import { toneHistory } from '@slate-path/core/observation/tone/history';
import { highestTone, lowestTone } from '@slate-path/core/observation/tone/levels';
import type { Lesson, RoomTone } from '@slate-path/core/records/schema';
import { now, zoneOf } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { useRecords, type RecordsState } from '../../../sync/useRecords';
import { keyOf } from '../../attendance/lesson/marking';

const zone = () => zoneOf(Object.values(useRecords.getState().current.school)[0]);

/** When a lesson begins and ends, milliseconds since 1970. */
export function spanOf({ date, startsAt, endsAt }: Pick<Lesson, 'date' | 'startsAt' | 'endsAt'>) {
  const at = (time: string) => instantOf({ date, time }, zone());
  return { from: at(startsAt), to: at(endsAt) };
}

/** What was set in a lesson, in order of time. */
export function tonesIn(tones: Readonly<Record<string, RoomTone>>, lessonId: string): RoomTone[] {
  return Object.values(tones)
    .filter((one) => !one.removed && one.lessonId === lessonId)
    .sort((a, b) => (a.at === b.at ? (a.id < b.id ? -1 : 1) : a.at < b.at ? -1 : 1));
}

/** The tone that a lesson has now, or ended with. */
export function useTone(lessonId: string): number | null {
  return useRecords(
    useCallback(
      ({ current }: RecordsState) => tonesIn(current.roomTone, lessonId).at(-1)?.level ?? null,
      [lessonId],
    ),
  );
}

/** Its course until now, or to the end of the lesson. */
export function courseOf(lesson: Lesson, tones: readonly RoomTone[]): ToneStep[] {
  const { from, to } = spanOf(lesson);
  return toneCourse(tones, from, Math.min(Math.max(now(), from), to));
}

/** When a tone counts from: now; once the lesson is over, for the whole of it, or, where it has a course, at its end. */
function countsAt(lesson: Lesson): number {
  const { to, from } = spanOf(lesson);
  if (now() < to) return now();
  const isFirst = tonesIn(useRecords.getState().current.roomTone, lesson.id).length === 0;
  return isFirst ? from : to - 60_000;
}

/** Sets the tone of a lesson. */
export function setTone(lesson: Lesson, level: number): void {
  const bounded = Math.min(Math.max(level, lowestTone), highestTone);
  const at = new Date(countsAt(lesson)).toISOString();
  makeChange(
    'roomTone.set',
    { lesson: keyOf(lesson), id: newId(), at, level: bounded },
    toneHistory(lesson.id),
  );
}

/** One level up or down; the first step is from even. */
export function moveTone(lesson: Lesson, by: 1 | -1): void {
  const before = tonesIn(useRecords.getState().current.roomTone, lesson.id).at(-1)?.level;
  const level = (before ?? 0) + by;
  if (level >= lowestTone && level <= highestTone) setTone(lesson, level);
}

/** The clock of the school at an instant, HH:MM. */
export const clockAt = (instant: number) => localMoment(instant, zone()).time;
