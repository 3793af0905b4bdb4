import type { Lesson } from '../records/schema';
import { minutesOf } from './localTime';
import type { LocalMoment } from './zone';

/** A teacher opens the roll while the class is still coming in. */
const opensMinutesBefore = 10;

export interface LessonInHand {
  lesson: Lesson;
  /** `now`: on, or about to begin. `next`: later. `last`: the latest one that is over. */
  relation: 'now' | 'next' | 'last';
}

/**
 * The lesson a teacher most likely wants in hand: the one on now (the later one where one is ending
 * and another about to begin), else the next one today, else today's last, else the nearest later
 * one, else the latest before.
 * @param lessons in order of time, as `lessonsBetween` gives them
 */
export function lessonNow(lessons: readonly Lesson[], now: LocalMoment): LessonInHand | null {
  const minute = minutesOf(now.time);
  const today = lessons.filter((lesson) => lesson.date === now.date && !lesson.setAside);
  const running = today.filter(
    (l) => minutesOf(l.startsAt) - opensMinutesBefore <= minute && minute < minutesOf(l.endsAt),
  );
  const on = running.filter((l) => minutesOf(l.startsAt) <= minute).at(-1) ?? running.at(-1);
  if (on) return { lesson: on, relation: 'now' };
  const later = today.find((lesson) => minutesOf(lesson.startsAt) > minute);
  if (later) return { lesson: later, relation: 'next' };
  const over = today.at(-1);
  if (over) return { lesson: over, relation: 'last' };
  const ahead = lessons.find((lesson) => lesson.date > now.date);
  if (ahead) return { lesson: ahead, relation: 'next' };
  const before = lessons.filter((lesson) => lesson.date < now.date).at(-1);
  return before ? { lesson: before, relation: 'last' } : null;
}
