import { z } from 'zod';
import { byTime } from '../calendar/lessons';
import { groupBy } from '../records/groupBy';
import type { Enrolment, Lesson } from '../records/schema';
import type { RollBook } from '../roll/book';
import { isEnrolledOn, presenceIn } from '../roll/totals';
import { credibleFrom, levelsCrossed, usualLines, type Attended, type LevelCrossed } from './levels';
import { absentSentence } from './sentence';

const Level = z.object({
  kind: z.enum(['share', 'streak']),
  line: z.number(),
  value: z.number(),
  missed: z.number(),
  taken: z.number(),
  since: z.iso.date(),
  certainty: z.number(),
});

/** One student in one class who misses too much, or is over a line without its being sure. */
export const WatchItem = z.object({
  studentId: z.string(),
  sectionId: z.string(),
  concern: z.enum(['absent', 'over_a_line']),
  since: z.iso.date(),
  /** Orders the list, 0 to 1; never shown as a score of a child. */
  strength: z.number(),
  sentence: z.string(),
  levels: z.array(Level),
  /** The median share missed in the class, 0 to 1. */
  classMedian: z.number(),
});
export type WatchItem = z.infer<typeof WatchItem>;

/** What the list is made of: one teacher's classes. */
export interface WatchInput {
  enrolments: readonly Enrolment[];
  lessons: readonly Lesson[];
  book: RollBook;
}

/** A student's lessons that were taken while enrolled and not set aside, in order of time. */
export function attendedLessons(
  enrolment: Pick<Enrolment, 'studentId' | 'startsOn' | 'endsOn'>,
  lessons: readonly Lesson[],
  book: RollBook,
): Attended[] {
  return lessons.flatMap((lesson) => {
    if (lesson.removed || !isEnrolledOn(enrolment, lesson.date)) return [];
    const presence = presenceIn(lesson, enrolment.studentId, book);
    if (!presence || presence.setAside) return [];
    return [{ date: lesson.date, away: presence.away }];
  });
}

function median(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  const upper = sorted[middle] ?? 0;
  return sorted.length % 2 === 1 ? upper : ((sorted[middle - 1] ?? 0) + upper) / 2;
}

/** Half strength at the 10 % line or the third lesson in a row, near one at 40 % or nine in a row. */
function strengthOf(level: LevelCrossed): number {
  const times = level.kind === 'share' ? level.value / 0.1 : level.value / 3;
  return level.certainty * (1 - Math.pow(0.5, times));
}

function itemOf(enrolment: Enrolment, levels: LevelCrossed[], classMedian: number): WatchItem {
  const sure = levels.filter((level) => level.certainty >= credibleFrom);
  const shown = sure.length > 0 ? sure : levels;
  const ordered = shown.toSorted((a, b) => strengthOf(b) - strengthOf(a));
  return {
    studentId: enrolment.studentId,
    sectionId: enrolment.sectionId,
    concern: sure.length > 0 ? 'absent' : 'over_a_line',
    since: ordered.map(({ since }) => since).sort()[0] ?? '',
    strength: Math.max(...shown.map(strengthOf)),
    sentence: absentSentence(ordered, classMedian),
    levels: ordered,
    classMedian,
  };
}

/** Who misses too much in one teacher's classes, strongest first. */
export function watchList({ enrolments, lessons, book }: WatchInput, lines = usualLines): WatchItem[] {
  const bySection = groupBy(lessons, (lesson) => lesson.sectionId);
  const items: WatchItem[] = [];
  for (const [sectionId, students] of groupBy(enrolments, (e) => e.sectionId)) {
    const inOrder = (bySection.get(sectionId) ?? []).toSorted(byTime);
    const attended = students.map((enrolment) => attendedLessons(enrolment, inOrder, book));
    const shares = attended.filter((a) => a.length > 0).map((a) => a.filter((l) => l.away).length / a.length);
    const classMedian = median(shares);
    students.forEach((enrolment, index) => {
      if (enrolment.endsOn !== null && enrolment.endsOn < (inOrder.at(-1)?.date ?? '')) return;
      const levels = levelsCrossed(attended[index] ?? [], lines);
      if (levels.length > 0) items.push(itemOf(enrolment, levels, classMedian));
    });
  }
  return items.sort((a, b) => b.strength - a.strength);
}
