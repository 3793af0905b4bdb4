import { minutesOf, timeOf } from '../../calendar/localTime';
import type { LocalMoment } from '../../calendar/zone';
import type { CheckInSetting, Lesson } from '../../records/schema';

/** How a class checks in before its teacher has set anything. */
export const plainSetting = {
  opensMinutesBefore: 10,
  closesMinutesAfter: 30,
  lunchChoices: [] as string[],
  shortNames: true,
};

type Window = Pick<CheckInSetting, 'opensMinutesBefore' | 'closesMinutesAfter'>;

/** From when to when a lesson's check-in is open, `HH:MM`; it ends with the lesson at the latest. */
export function checkInWindow(
  lesson: Pick<Lesson, 'startsAt' | 'endsAt'>,
  { opensMinutesBefore, closesMinutesAfter }: Window,
): { from: string; to: string } {
  const start = minutesOf(lesson.startsAt);
  const to = Math.min(start + closesMinutesAfter, minutesOf(lesson.endsAt));
  return { from: timeOf(start - opensMinutesBefore), to: timeOf(to) };
}

export type CheckInState =
  { state: 'open'; lesson: Lesson; closesAt: string } | { state: 'closed'; next: { opensAt: string } | null };

/**
 * Which of a class's lessons today can be checked in to now: the one whose window is open (the later
 * of two), else when the next opens.
 * @param lessons of one class
 */
export function checkInNow(lessons: readonly Lesson[], setting: Window, now: LocalMoment): CheckInState {
  const today = lessons
    .filter((lesson) => lesson.date === now.date && !lesson.setAside && !lesson.removed)
    .map((lesson) => ({ lesson, ...checkInWindow(lesson, setting) }))
    .sort((a, b) => (a.from < b.from ? -1 : 1));
  const open = today.findLast(({ from, to }) => from <= now.time && now.time < to);
  if (open) return { state: 'open', lesson: open.lesson, closesAt: open.to };
  const next = today.find(({ from }) => from > now.time);
  return { state: 'closed', next: next ? { opensAt: next.from } : null };
}
