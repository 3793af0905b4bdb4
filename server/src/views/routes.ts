import { Between, In, IsNull, type DataSource } from 'typeorm';
import { monthSpan } from '@slate-path/core/calendar/localTime';
import { type Lesson, type Seating } from '@slate-path/core/records/schema';
import { groupBy } from '@slate-path/core/records/groupBy';
import { lastDay, seatingOn } from '@slate-path/core/room/seatings';
import { ChangeEntity, ErasureEntity } from '../database/entities';
import { ownerOf, route } from '../http/route';
import type { Services } from '../services';
import { withLinks } from '../notes/readNotes';
import { load, loadOfLessonsBetween, notesAbout } from './load';

/** Some lessons with all that was marked, said and swept in them, a query for each. */
async function withMarks({ database }: Services, lessons: Lesson[]) {
  const ofThem = { lessonId: In(lessons.map(({ id }) => id)) };
  const mark = await load(database.read, 'mark', ofThem);
  const checkIn = await load(database.read, 'checkIn', ofThem);
  const otherCheckIn = await load(database.read, 'otherCheckIn', ofThem);
  const sweep = await load(database.read, 'sweep', ofThem);
  return { lesson: lessons, mark, checkIn, otherCheckIn, sweep };
}

/** When a student of a teacher was last erased. */
async function lastErasure(read: DataSource, teacherId: string): Promise<string | null> {
  const [last] = await read
    .getRepository(ErasureEntity)
    .find({ where: { teacherId }, order: { erasedAt: 'DESC' }, take: 1 });
  return last?.erasedAt ?? null;
}

/** Of each class the last that is not removed, and all that are: a device may still have them. */
function lastSeatings(seatings: readonly Seating[]): Seating[] {
  const kept = groupBy(
    seatings.filter(({ removed }) => !removed),
    ({ sectionId }) => sectionId,
  );
  const last = [...kept.values()].flatMap((ofClass) => seatingOn(ofClass, lastDay) ?? []);
  return [...last, ...seatings.filter(({ removed }) => removed)];
}

export const viewRoutes = [
  route('setup', {
    allow: 'teacher',
    cached: 'per-teacher',
    async handle({ services, teacherId }) {
      const of = { teacherId };
      const from = services.database.read;
      return {
        school: await load(from, 'school', of),
        term: await load(from, 'term', of),
        dayOff: await load(from, 'dayOff', of),
        section: await load(from, 'section', of),
        meeting: await load(from, 'meeting', of),
        standing: await load(from, 'standing', of),
        student: await load(from, 'student', of),
        guardian: await load(from, 'guardian', of),
        enrolment: await load(from, 'enrolment', of),
        lesson: await load(from, 'lesson', of),
        participantAnswer: await load(from, 'participantAnswer', of),
        checkInSetting: await load(from, 'checkInSetting', of),
        task: await load(from, 'task', of),
        lookFor: await load(from, 'lookFor', of),
        focus: await load(from, 'focus', of),
        studentGroup: await load(from, 'studentGroup', of),
        roomPlan: await load(from, 'roomPlan', of),
        seating: lastSeatings(await load(from, 'seating', of)),
        levelNames: await load(from, 'levelNames', of),
        topic: await load(from, 'topic', of),
        passedWord: await load(from, 'passedWord', of),
        circle: await load(from, 'circle', { ...of, endedAt: IsNull() }),
        erasedAt: await lastErasure(from, teacherId),
      };
    },
  }),
  route('day', {
    allow: 'teacher',
    cached: 'per-teacher',
    async handle({ params, teacherId, services }) {
      const { read } = services.database;
      const marked = await withMarks(services, await load(read, 'lesson', { teacherId, date: params.date }));
      const ofThem = { lessonId: In(marked.lesson.map(({ id }) => id)) };
      const circle = await load(read, 'circle', ofThem);
      return {
        ...marked,
        circle,
        circleMember: await load(read, 'circleMember', { circleId: In(circle.map(({ id }) => id)) }),
        tallying: await load(read, 'tallying', ofThem),
        tally: await load(read, 'tally', ofThem),
        turn: await load(read, 'turn', ofThem),
        ...withLinks(services.database, await load(read, 'note', ofThem)),
      };
    },
  }),
  route('lessons', {
    allow: 'teacher',
    cached: 'per-teacher',
    async handle({ query: { from, to }, teacherId, services }) {
      const { read } = services.database;
      const lesson = await load(read, 'lesson', { teacherId, date: Between(from, to) });
      const mark = await loadOfLessonsBetween(read, 'mark', { teacherId, from, to });
      const checkIn = await loadOfLessonsBetween(read, 'checkIn', { teacherId, from, to });
      return {
        lesson,
        mark,
        checkIn,
        otherCheckIn: await loadOfLessonsBetween(read, 'otherCheckIn', { teacherId, from, to }),
        sweep: await loadOfLessonsBetween(read, 'sweep', { teacherId, from, to }),
      };
    },
  }),
  route('month', {
    allow: ownerOf('section', 'sectionId'),
    cached: 'per-teacher',
    async handle({ params, services }) {
      const { from, to } = monthSpan(params.month);
      const where = { sectionId: params.sectionId, date: Between(from, to) };
      return withMarks(services, await load(services.database.read, 'lesson', where));
    },
  }),
  route('studentPath', {
    allow: ownerOf('student', 'studentId'),
    cached: 'per-teacher',
    async handle({ params, teacherId, services }) {
      const of = { studentId: params.studentId };
      const from = services.database.read;
      const handIns = await load(from, 'handIn', of);
      return {
        mark: await load(from, 'mark', of),
        message: await load(from, 'message', of),
        checkIn: await load(from, 'checkIn', of),
        otherCheckIn: await load(from, 'otherCheckIn', of),
        sweep: await load(from, 'sweep', of),
        tally: await load(from, 'tally', of),
        tallying: await load(from, 'tallying', { teacherId }),
        step: await load(from, 'step', of),
        nod: await load(from, 'nod', of),
        pathSummary: await load(from, 'pathSummary', of),
        work: await load(from, 'work', { id: In(handIns.map(({ workId }) => workId)) }),
        ...withLinks(services.database, await notesAbout(from, of)),
      };
    },
  }),
  route('lessonHistory', {
    allow: ownerOf('lesson', 'lessonId'),
    cached: 'per-teacher',
    async handle({ params, teacherId, services }) {
      const lines = await services.database.read
        .getRepository(ChangeEntity)
        .find({ where: { about: params.lessonId, teacherId }, order: { seq: 'DESC' }, take: 200 });
      return { lines };
    },
  }),
];
