import { localMoment, type LocalMoment } from '@slate-path/core/calendar/zone';
import type { Lesson, Mark, Standing } from '@slate-path/core/records/schema';
import type { LessonKey, MarkFields } from '@slate-path/core/attendance/roll/changes';
import { rulesFor } from '@slate-path/core/attendance/roll/book';
import type { RollRow } from '@slate-path/core/attendance/roll/rollRows';
import { markId } from '@slate-path/core/attendance/roll/markId';
import { says } from '@slate-path/core/attendance/roll/says';
import { standingFor } from '@slate-path/core/attendance/roll/standings';
import { markByTap, type TapMeaning, type TapMoment } from '@slate-path/core/attendance/roll/tap';
import { now, zoneOf } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { historyOf, partnerOf, rollBook } from './lessons';

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

/** What every change of a roll says of its lesson. */
export function keyOf({ id, sectionId, date, startsAt, endsAt }: Lesson): LessonKey {
  return { id, sectionId, date, startsAt, endsAt };
}

/** A lesson of a later day: what is marked in it is planned, and its roll can't be taken yet. */
export function isAhead({ date }: Lesson): boolean {
  return date > localMoment(now(), zoneOf(school())).date;
}

/** Marking anybody on the day, or later, takes the roll; the moment of taking is that of the first mark. */
function taking(lesson: Lesson): { takenAt?: string } {
  return lesson.takenAt === null && !isAhead(lesson) ? { takenAt: new Date(now()).toISOString() } : {};
}

/** Of two classes with one roll, whoever is marked first takes the roll of both. */
function mark(lesson: Lesson, marks: MarkFields[], source?: 'check_in'): void {
  const partner = partnerOf(lesson, useRecords.getState().current);
  const own = { lesson: keyOf(lesson), marks, ...taking(lesson), ...(source ? { source } : {}) };
  if (partner && !partner.setAside && partner.takenAt === null) {
    const other = { lesson: keyOf(partner), marks: [], ...taking(partner) };
    makeChange('roll.markAll', { about: lesson.id, lessons: [own, other] }, historyOf(lesson));
  } else makeChange('roll.mark', own, historyOf(lesson));
}

/** What was on the screen when a student was tapped. */
export interface SeenMark {
  meaning: TapMeaning;
  arrivedAt: string | null;
}

/** One tap on a student: it does what the screen said it would, at this minute. */
export function tapStudent(lesson: Lesson, studentId: string, { meaning, arrivedAt }: SeenMark): void {
  const { time } = localMoment(now(), zoneOf(school()));
  const fields = markByTap(studentId, meaning, arrivedAt, time, standings());
  if (fields) mark(lesson, [fields]);
}

const nowhere = { standingId: null, arrivedAt: null, leftAt: null };

/** Everybody is here: taken without an exception. */
export function takeAllHere(lesson: Lesson): void {
  mark(lesson, []);
}

/** The students of one lesson, or of two with one roll. */
export interface RollGroup {
  lesson: Lesson;
  studentIds: string[];
}

function markGroups(groups: RollGroup[], standingId: string | null, takenAt: 'now' | null): void {
  const [first] = groups;
  if (!first) return;
  const lessons = groups.map(({ lesson, studentIds }) => ({
    lesson: keyOf(lesson),
    marks: studentIds.map((studentId) => ({ ...nowhere, studentId, standingId })),
    ...(takenAt === null ? { takenAt } : taking(lesson)),
  }));
  makeChange('roll.markAll', { about: first.lesson.id, lessons }, historyOf(first.lesson));
}

/** Those who are not marked as away in one way or another: an absence that is planned stays what it is. */
function notYetAway(lesson: Lesson, studentIds: readonly string[]): string[] {
  const { current } = useRecords.getState();
  const { standings: byId } = rollBook(current);
  return studentIds.filter((studentId) => {
    const found = current.mark[markId(lesson.id, studentId)];
    return !says(found) || byId[found.standingId ?? '']?.countsAs !== 'away';
  });
}

/**
 * Who has not come in by themselves is away; whoever did is here, and the roll is taken. These marks go by the
 * check-ins, so who checks in later still turns theirs.
 */
export function markMissingAway(lesson: Lesson, studentIds: readonly string[]): void {
  const standingId = standingFor(standings(), 'away')?.id ?? null;
  mark(
    lesson,
    notYetAway(lesson, studentIds).map((studentId) => ({ ...nowhere, studentId, standingId })),
    'check_in',
  );
}

export function markAllAway(groups: RollGroup[]): void {
  const others = groups.map(({ lesson, studentIds }) => ({
    lesson,
    studentIds: notYetAway(lesson, studentIds),
  }));
  markGroups(others, standingFor(standings(), 'away')?.id ?? null, 'now');
}

/** As if the roll had not been taken: every mark gone. */
export function clearRoll(groups: RollGroup[]): void {
  markGroups(groups, null, null);
}

/**
 * Marks that were put on the wrong lesson, with their comments, to the right one of the same class, whose roll was not
 * taken: it is taken by them, and the other is not taken any more.
 */
export function moveMarks(from: Lesson, to: Lesson, rows: readonly RollRow[]): void {
  const marked = rows.flatMap(({ student, mark: found }) =>
    found && says(found) ? [{ student, found }] : [],
  );
  const fieldsOf = (studentId: string, found: Mark): MarkFields => {
    const { standingId, arrivedAt, leftAt } = found;
    return { studentId, standingId, arrivedAt, leftAt };
  };
  makeChange(
    'roll.markAll',
    {
      about: to.id,
      lessons: [
        {
          lesson: keyOf(from),
          marks: marked.map(({ student }) => ({ ...nowhere, studentId: student.id })),
          takenAt: null,
        },
        {
          lesson: keyOf(to),
          marks: marked.map(({ student, found }) => fieldsOf(student.id, found)),
          takenAt: from.takenAt,
        },
      ],
    },
    historyOf(to),
  );
  for (const { student, mark: found } of rows) {
    if (!found || found.removed || found.comment === '') continue;
    writeComment(to, student.id, found.comment);
    writeComment(from, student.id, '');
  }
}

/** To another date or time, with its marks. */
export function moveLesson(lesson: Lesson, to: { date: string; startsAt: string; endsAt: string }): void {
  makeChange('lesson.move', { lesson: keyOf(lesson), to }, historyOf(lesson));
}

export function removeLesson(lesson: Lesson): void {
  makeChange('lesson.remove', { lesson: keyOf(lesson) }, lesson.id);
}

/** One that is in no timetable. @returns its id */
export function addLesson(fields: Omit<LessonKey, 'id'> & { label: string }): string {
  const id = newId();
  makeChange('lesson.add', { id, ...fields }, id);
  return id;
}

export function setAside(lesson: Lesson, aside: boolean, label = ''): void {
  makeChange('lesson.setAside', { lesson: keyOf(lesson), setAside: aside, label }, historyOf(lesson));
}

/** A standing chosen by hand; times that do not belong to it are dropped, and those given are kept. */
export function chooseStanding(
  lesson: Lesson,
  studentId: string,
  standing: Standing,
  times: { arrivedAt: string | null; leftAt: string | null },
): void {
  const there = standing.countsAs !== 'away' && standing.countsAs !== 'not_counted';
  // Nothing recorded is the first kind of being here; another kind of it is a mark of its own.
  const plain = standing.id === standingFor(standings(), 'here')?.id && !times.arrivedAt && !times.leftAt;
  const fields = there ? times : { arrivedAt: null, leftAt: null };
  mark(lesson, [{ studentId, standingId: plain ? null : standing.id, ...fields }]);
}

export function writeComment(lesson: Lesson, studentId: string, comment: string): void {
  makeChange('roll.comment', { lesson: keyOf(lesson), studentId, comment }, historyOf(lesson));
}
