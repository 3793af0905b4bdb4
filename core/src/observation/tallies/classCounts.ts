import { groupBy } from '../../records/groupBy';
import type { LookFor, Tally, Tallying } from '../../records/schema';
import { isEnrolledOn, presenceIn } from '../../attendance/roll/totals';
import type { ClassRoll } from '../../attendance/roll/rollTable';
import { countsOf, type Count } from './counts';
import { observedMinutes, observedSpan } from './observed';
import type { Exposure } from './rates';

/** What was seen in a class over some days, and the chance there was to see it. */
export interface ClassCounts {
  /** Those observed, in order of time. */
  lessons: { id: string; date: string; startsAt: string }[];
  counts: Count[];
  exposures: Exposure[];
}

interface Seen {
  tallies: readonly Tally[];
  tallyings: readonly Tallying[];
  lookFors: Readonly<Record<string, LookFor>>;
  /** IANA name of the school's. */
  zone: string;
}

/** Nothing lasts longer than somebody was there to be seen. */
function possible(count: Count, minutes: number, lookFors: Seen['lookFors']): Count {
  if (lookFors[count.lookForId]?.measure !== 'seconds' || minutes === 0) return count;
  return { ...count, amount: Math.min(count.amount, minutes * 60) };
}

/**
 * Counts and exposures of one class. A lesson in which tallying was on was observed, also without a
 * single tally, and also where its roll was not taken; one set aside counts nowhere. Tallies of who
 * was not in the class that day are kept and count nowhere.
 */
export function classCounts(
  { enrolments, lessons, book }: Pick<ClassRoll, 'enrolments' | 'lessons' | 'book'>,
  { tallies, tallyings, lookFors, zone }: Seen,
): ClassCounts {
  const byLesson = groupBy(
    tallies.filter(({ removed }) => !removed),
    ({ lessonId }) => lessonId,
  );
  const turnedOn = new Map(
    tallyings.filter(({ removed }) => !removed).map((found) => [found.lessonId, found]),
  );
  const result: ClassCounts = { lessons: [], counts: [], exposures: [] };
  for (const lesson of lessons) {
    const own = byLesson.get(lesson.id) ?? [];
    const firstAt = own.map(({ at }) => at).sort()[0] ?? null;
    const tallying = turnedOn.get(lesson.id) ?? (firstAt === null ? null : { onAt: firstAt, offAt: null });
    if (!tallying || lesson.setAside || lesson.removed) continue;
    const span = observedSpan(lesson, tallying, zone, firstAt);
    const there = new Map<string, number>();
    for (const enrolment of enrolments) {
      const { studentId } = enrolment;
      if (!isEnrolledOn(enrolment, lesson.date) || there.has(studentId)) continue;
      const minutes = observedMinutes(lesson, span, presenceIn(lesson, studentId, book));
      there.set(studentId, minutes);
      result.exposures.push({ lessonId: lesson.id, studentId, minutes });
    }
    result.lessons.push({ id: lesson.id, date: lesson.date, startsAt: lesson.startsAt });
    for (const count of countsOf(own, lookFors)) {
      const minutes = count.studentId === null ? span[1] - span[0] : there.get(count.studentId);
      if (minutes !== undefined) result.counts.push(possible(count, minutes, lookFors));
    }
  }
  return result;
}
