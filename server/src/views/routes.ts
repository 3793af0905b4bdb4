import { z } from 'zod';
import { Between, In, IsNull, type DataSource } from 'typeorm';
import { monthSpan } from '@slate-path/core/calendar/localTime';
import { Id, LocalDate, recordSchema, type Lesson, type Seating } from '@slate-path/core/records/schema';
import { groupBy } from '@slate-path/core/records/groupBy';
import { lastDay, seatingOn } from '@slate-path/core/room/seatings';
import { ChangeEntity, ErasureEntity } from '../database/entities';
import { ownerOf, route } from '../http/route';
import type { Services } from '../services';
import { withLinks } from '../notes/readNotes';
import { load, loadOfLessonsBetween, notesAbout } from './load';

const Month = z.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/, 'A month looks like 2026-11');

const NoteLists = {
  note: z.array(recordSchema('note')),
  noteStudent: z.array(recordSchema('noteStudent')),
  noteTopic: z.array(recordSchema('noteTopic')),
  followUp: z.array(recordSchema('followUp')),
};

const LessonsWithMarks = z.object({
  lesson: z.array(recordSchema('lesson')),
  mark: z.array(recordSchema('mark')),
  checkIn: z.array(recordSchema('checkIn')),
  otherCheckIn: z.array(recordSchema('otherCheckIn')),
  sweep: z.array(recordSchema('sweep')),
});

/** A day has all that was seen in it as well. */
const DayAnswer = LessonsWithMarks.extend({
  tallying: z.array(recordSchema('tallying')),
  tally: z.array(recordSchema('tally')),
  circle: z.array(recordSchema('circle')),
  circleMember: z.array(recordSchema('circleMember')),
  turn: z.array(recordSchema('turn')),
  ...NoteLists,
});

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

const Line = z.object({
  id: z.string(),
  kind: z.string(),
  device: z.string(),
  madeAt: z.iso.datetime(),
  receivedAt: z.iso.datetime(),
  edits: z.array(
    z.object({
      table: z.string(),
      id: z.string(),
      before: z.record(z.string(), z.unknown()).nullable(),
      after: z.record(z.string(), z.unknown()),
      overruled: z.array(z.string()),
    }),
  ),
});

export const viewRoutes = [
  route({
    method: 'get',
    path: '/api/setup',
    summary: 'What a teacher sets up once a term: school, calendar, classes, people, standings.',
    allow: 'teacher',
    cached: 'per-teacher',
    answer: z.object({
      school: z.array(recordSchema('school')),
      term: z.array(recordSchema('term')),
      dayOff: z.array(recordSchema('dayOff')),
      section: z.array(recordSchema('section')),
      meeting: z.array(recordSchema('meeting')),
      standing: z.array(recordSchema('standing')),
      student: z.array(recordSchema('student')),
      guardian: z.array(recordSchema('guardian')),
      enrolment: z.array(recordSchema('enrolment')),
      lesson: z.array(recordSchema('lesson')),
      participantAnswer: z.array(recordSchema('participantAnswer')),
      checkInSetting: z.array(recordSchema('checkInSetting')),
      task: z.array(recordSchema('task')),
      lookFor: z.array(recordSchema('lookFor')),
      focus: z.array(recordSchema('focus')),
      studentGroup: z.array(recordSchema('studentGroup')),
      roomPlan: z.array(recordSchema('roomPlan')),
      // Of each class only the last: how it sits now.
      seating: z.array(recordSchema('seating')),
      levelNames: z.array(recordSchema('levelNames')),
      topic: z.array(recordSchema('topic')),
      passedWord: z.array(recordSchema('passedWord')),
      // Only those left open: whoever opens the next lesson is asked.
      circle: z.array(recordSchema('circle')),
      /** When a student was last erased: a device that does not know of it begins anew. */
      erasedAt: z.string().nullable(),
    }),
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
  route({
    method: 'get',
    path: '/api/days/{date}',
    summary: 'All lessons of one day somebody wrote about, with all that was marked, said and seen.',
    allow: 'teacher',
    cached: 'per-teacher',
    params: z.object({ date: LocalDate }),
    answer: DayAnswer,
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
  route({
    method: 'get',
    path: '/api/lessons',
    summary: 'All lessons of a range of days (at most 400) somebody wrote about, with their marks.',
    allow: 'teacher',
    cached: 'per-teacher',
    query: z
      .object({ from: LocalDate, to: LocalDate })
      .refine(({ from, to }) => from <= to && Date.parse(to) - Date.parse(from) <= 400 * 86_400_000, {
        message: 'A range is in order and at most 400 days',
        path: ['to'],
      }),
    answer: LessonsWithMarks,
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
  route({
    method: 'get',
    path: '/api/sections/{sectionId}/months/{month}',
    summary: 'A class’s lessons of one month with their marks.',
    allow: ownerOf('section', 'sectionId'),
    cached: 'per-teacher',
    params: z.object({ sectionId: Id, month: Month }),
    answer: LessonsWithMarks,
    async handle({ params, services }) {
      const { from, to } = monthSpan(params.month);
      const where = { sectionId: params.sectionId, date: Between(from, to) };
      return withMarks(services, await load(services.database.read, 'lesson', where));
    },
  }),
  route({
    method: 'get',
    path: '/api/students/{studentId}/path',
    summary: 'One student’s marks in all classes, and what was written about them.',
    allow: ownerOf('student', 'studentId'),
    cached: 'per-teacher',
    params: z.object({ studentId: Id }),
    answer: z.object({
      mark: z.array(recordSchema('mark')),
      message: z.array(recordSchema('message')),
      checkIn: z.array(recordSchema('checkIn')),
      otherCheckIn: z.array(recordSchema('otherCheckIn')),
      sweep: z.array(recordSchema('sweep')),
      tally: z.array(recordSchema('tally')),
      tallying: z.array(recordSchema('tallying')),
      step: z.array(recordSchema('step')),
      nod: z.array(recordSchema('nod')),
      pathSummary: z.array(recordSchema('pathSummary')),
      work: z.array(recordSchema('work')),
      ...NoteLists,
    }),
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
  route({
    method: 'get',
    path: '/api/lessons/{lessonId}/history',
    summary: 'Who changed what in a lesson, and when; what was overruled by a later word is said.',
    allow: ownerOf('lesson', 'lessonId'),
    cached: 'per-teacher',
    params: z.object({ lessonId: Id }),
    answer: z.object({ lines: z.array(Line) }),
    async handle({ params, teacherId, services }) {
      const lines = await services.database.read
        .getRepository(ChangeEntity)
        .find({ where: { about: params.lessonId, teacherId }, order: { seq: 'DESC' }, take: 200 });
      return { lines };
    },
  }),
];
