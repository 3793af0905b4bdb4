import { Between, In, IsNull, Not } from '../database/conditions';
import { monthSpan } from '@slate-path/core/calendar/localTime';
import { type Lesson, type Seating } from '@slate-path/core/records/schema';
import { groupBy } from '@slate-path/core/records/groupBy';
import { lastDay, seatingOn } from '@slate-path/core/people/room/seatings';
import type { OpenDatabase } from '../database/open';
import { ChangeEntity } from '../database/entities';
import { readerOf, route } from '../http/route';
import type { Services } from '../services';
import { withLinks } from '../notes/readNotes';
import { load, loadOfLessonsBetween, notesAbout } from '../database/load';
import { watchedIn, withEvents } from '../observation/closeWatch/readObservations';
import { gamesWith, withPoints } from '../observation/sides/readGames';
import { daysElsewhere } from '../work/readActivity';

/** Some lessons with all that was marked, said and swept in them, a query for each. */
async function withMarks({ database }: Services, teacherId: string, lessons: Lesson[]) {
  const ofThem = { lessonId: In(lessons.map(({ id }) => id)) };
  const mark = await load(database.read, 'mark', teacherId, ofThem);
  const checkIn = await load(database.read, 'checkIn', teacherId, ofThem);
  const otherCheckIn = await load(database.read, 'otherCheckIn', teacherId, ofThem);
  const sweep = await load(database.read, 'sweep', teacherId, ofThem);
  return { lesson: lessons, mark, checkIn, otherCheckIn, sweep };
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

/** Pieces of one student, with how they came. */
async function ownWork(from: OpenDatabase['read'], teacherId: string) {
  const work = await load(from, 'work', teacherId, { studentId: Not(IsNull()) });
  return { work, handIn: await load(from, 'handIn', teacherId, { workId: In(work.map(({ id }) => id)) }) };
}

export const viewRoutes = [
  route('setup', {
    allow: 'member',
    cached: 'per-teacher',
    async handle({ services, teacherId }) {
      const from = services.database.read;
      return {
        school: await load(from, 'school', teacherId),
        term: await load(from, 'term', teacherId),
        dayOff: await load(from, 'dayOff', teacherId),
        section: await load(from, 'section', teacherId),
        meeting: await load(from, 'meeting', teacherId),
        standing: await load(from, 'standing', teacherId),
        student: await load(from, 'student', teacherId),
        guardian: await load(from, 'guardian', teacherId),
        enrolment: await load(from, 'enrolment', teacherId),
        lesson: await load(from, 'lesson', teacherId),
        participantAnswer: await load(from, 'participantAnswer', teacherId),
        checkInSetting: await load(from, 'checkInSetting', teacherId),
        ...(await ownWork(from, teacherId)),
        lookFor: await load(from, 'lookFor', teacherId),
        focus: await load(from, 'focus', teacherId),
        studentGroup: await load(from, 'studentGroup', teacherId),
        roomPlan: await load(from, 'roomPlan', teacherId),
        seatWish: await load(from, 'seatWish', teacherId),
        seating: lastSeatings(await load(from, 'seating', teacherId)),
        levelNames: await load(from, 'levelNames', teacherId),
        topic: await load(from, 'topic', teacherId),
        passedWord: await load(from, 'passedWord', teacherId),
        circle: await load(from, 'circle', teacherId, { endedAt: IsNull() }),
      };
    },
  }),
  route('day', {
    allow: 'member',
    cached: 'per-teacher',
    async handle({ params, teacherId, services }) {
      const { read } = services.database;
      const marked = await withMarks(
        services,
        teacherId,
        await load(read, 'lesson', teacherId, { date: params.date }),
      );
      const ofThem = { lessonId: In(marked.lesson.map(({ id }) => id)) };
      const circle = await load(read, 'circle', teacherId, ofThem);
      return {
        ...marked,
        circle,
        circleMember: await load(read, 'circleMember', teacherId, {
          circleId: In(circle.map(({ id }) => id)),
        }),
        tallying: await load(read, 'tallying', teacherId, ofThem),
        tally: await load(read, 'tally', teacherId, ofThem),
        turn: await load(read, 'turn', teacherId, ofThem),
        roomTone: await load(read, 'roomTone', teacherId, ofThem),
        ...(await withEvents(read, teacherId, await load(read, 'observation', teacherId, ofThem))),
        ...(await withPoints(read, teacherId, await load(read, 'game', teacherId, ofThem))),
        ...withLinks(services.database, await load(read, 'note', teacherId, ofThem)),
      };
    },
  }),
  route('lessons', {
    allow: 'member',
    cached: 'per-teacher',
    async handle({ query: { from, to }, teacherId, services }) {
      const { read } = services.database;
      const lesson = await load(read, 'lesson', teacherId, { date: Between(from, to) });
      const mark = await loadOfLessonsBetween(read, 'mark', { personId: teacherId, from, to });
      const checkIn = await loadOfLessonsBetween(read, 'checkIn', { personId: teacherId, from, to });
      return {
        lesson,
        mark,
        checkIn,
        otherCheckIn: await loadOfLessonsBetween(read, 'otherCheckIn', { personId: teacherId, from, to }),
        sweep: await loadOfLessonsBetween(read, 'sweep', { personId: teacherId, from, to }),
      };
    },
  }),
  route('month', {
    allow: readerOf('section', 'sectionId'),
    cached: 'per-teacher',
    async handle({ params, teacherId, services }) {
      const { from, to } = monthSpan(params.month);
      const where = { sectionId: params.sectionId, date: Between(from, to) };
      return withMarks(services, teacherId, await load(services.database.read, 'lesson', teacherId, where));
    },
  }),
  route('studentPath', {
    allow: readerOf('student', 'studentId'),
    cached: 'per-teacher',
    async handle({ params, teacherId, services }) {
      const of = { studentId: params.studentId };
      const from = services.database.read;
      const handIn = await load(from, 'handIn', teacherId, of);
      const watched = watchedIn(services.database.lookUp, params.studentId);
      return {
        mark: await load(from, 'mark', teacherId, of),
        message: await load(from, 'message', teacherId, of),
        checkIn: await load(from, 'checkIn', teacherId, of),
        otherCheckIn: await load(from, 'otherCheckIn', teacherId, of),
        sweep: await load(from, 'sweep', teacherId, of),
        tally: await load(from, 'tally', teacherId, of),
        tallying: await load(from, 'tallying', teacherId),
        step: await load(from, 'step', teacherId, of),
        nod: await load(from, 'nod', teacherId, of),
        ...(await withPoints(
          from,
          teacherId,
          await load(from, 'game', teacherId, {
            id: In(gamesWith(services.database.lookUp, params.studentId)),
          }),
        )),
        observationPlan: await load(from, 'observationPlan', teacherId, { id: In(watched.planIds) }),
        ...(await withEvents(
          from,
          teacherId,
          await load(from, 'observation', teacherId, { id: In(watched.observationIds) }),
          params.studentId,
        )),
        pathSummary: await load(from, 'pathSummary', teacherId, of),
        work: await load(from, 'work', teacherId, { id: In(handIn.map(({ workId }) => workId)) }),
        handIn,
        elsewhere: daysElsewhere(services.database.lookUp, teacherId, params.studentId),
        ...withLinks(services.database, await notesAbout(from, teacherId, params.studentId)),
      };
    },
  }),
  route('lessonHistory', {
    allow: readerOf('lesson', 'lessonId'),
    cached: 'per-teacher',
    async handle({ params, services }) {
      const lines = await services.database.read
        .getRepository(ChangeEntity)
        .find({ where: { about: params.lessonId }, order: { seq: 'DESC' }, take: 200 });
      return { lines };
    },
  }),
];
