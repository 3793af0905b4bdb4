import { localMoment, type LocalMoment } from '@slate-path/core/calendar/zone';
import type { Lesson, Mark, Standing } from '@slate-path/core/records/schema';
import type { LessonKey, MarkFields } from '@slate-path/core/roll/changes';
import { rulesFor } from '@slate-path/core/roll/book';
import { standingFor } from '@slate-path/core/roll/standings';
import { markByTap, type TapMoment } from '@slate-path/core/roll/tap';
import { now, zoneOf } from '../records/clock';
import { makeChange } from '../records/outbox';
import { useRecords } from '../records/useRecords';
import { rollBook } from './lessons';

function school() {
  return Object.values(useRecords.getState().current.school)[0];
}

function standings(): Standing[] {
  return Object.values(useRecords.getState().current.standing).filter((s) => !s.removed);
}

/** Everything on which the meaning of a tap depends, besides the student. */
export function tapMoment(lesson: Lesson, moment: LocalMoment): TapMoment {
  const zone = zoneOf(school());
  return {
    lesson,
    now: moment,
    takenAt: lesson.takenAt ? localMoment(Date.parse(lesson.takenAt), zone) : null,
    rules: rulesFor(rollBook(useRecords.getState().current), lesson.sectionId),
  };
}

function keyOf({ id, sectionId, date, startsAt, endsAt }: Lesson): LessonKey {
  return { id, sectionId, date, startsAt, endsAt };
}

/** Marking anybody takes the roll; the moment of taking is that of the first mark. */
function taking(lesson: Lesson): { takenAt?: string } {
  return lesson.takenAt === null ? { takenAt: new Date(now()).toISOString() } : {};
}

function mark(lesson: Lesson, marks: MarkFields[]): void {
  makeChange('roll.mark', { lesson: keyOf(lesson), marks, ...taking(lesson) }, lesson.id);
}

/** One tap on a student, with the mark and the minute as they are at this moment. */
export function tapStudent(lesson: Lesson, studentId: string, found: Mark | undefined): void {
  const moment = tapMoment(lesson, localMoment(now(), zoneOf(school())));
  const standing = found?.standingId
    ? rollBook(useRecords.getState().current).standings[found.standingId]
    : undefined;
  const fields = markByTap(studentId, moment, found, standing, standings());
  if (fields) mark(lesson, [fields]);
}

const nowhere = { standingId: null, arrivedAt: null, leftAt: null };

/** Everybody is here: taken without an exception. */
export function takeAllHere(lesson: Lesson): void {
  mark(lesson, []);
}

export function markAllAway(lesson: Lesson, studentIds: string[]): void {
  const standingId = standingFor(standings(), 'away')?.id ?? null;
  mark(
    lesson,
    studentIds.map((studentId) => ({ ...nowhere, studentId, standingId })),
  );
}

/** As if the roll had not been taken: every mark gone. */
export function clearRoll(lesson: Lesson, studentIds: string[]): void {
  const marks = studentIds.map((studentId) => ({ ...nowhere, studentId }));
  makeChange('roll.mark', { lesson: keyOf(lesson), marks, takenAt: null }, lesson.id);
}

export function setAside(lesson: Lesson, aside: boolean, label = ''): void {
  makeChange('lesson.setAside', { lesson: keyOf(lesson), setAside: aside, label }, lesson.id);
}

/** A standing chosen by hand; times that do not belong to it are dropped, and those given are kept. */
export function chooseStanding(
  lesson: Lesson,
  studentId: string,
  standing: Standing,
  times: { arrivedAt: string | null; leftAt: string | null },
): void {
  const there = standing.countsAs !== 'away' && standing.countsAs !== 'not_counted';
  const plain = standing.countsAs === 'here' && !times.arrivedAt && !times.leftAt;
  const fields = there ? times : { arrivedAt: null, leftAt: null };
  mark(lesson, [{ studentId, standingId: plain ? null : standing.id, ...fields }]);
}

export function writeComment(lesson: Lesson, studentId: string, comment: string): void {
  makeChange('roll.comment', { lesson: keyOf(lesson), studentId, comment }, lesson.id);
}
