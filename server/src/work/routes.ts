import { createHash } from 'node:crypto';
import { Between, In, IsNull, MoreThan } from '../database/conditions';
import { load } from '../database/load';
import { nameFile } from '../files/nameFile';
import { Problem } from '../http/problem';
import { checkRange } from '../http/range';
import { readerOf, route } from '../http/route';
import { tellPages } from '../scopes/tellPages';
import type { Services } from '../services';
import { bringActivity } from './bringActivity';
import { readActivity, readStudentDay } from './readActivity';

/** The file of a request, as it came. */
function fileOf({ body }: { body: unknown }): Uint8Array {
  return body instanceof Uint8Array ? body : new Uint8Array();
}

async function zoneOf(teacherId: string, { database }: Services): Promise<string> {
  const [school] = await load(database.read, 'school', teacherId);
  return school?.zone ?? 'UTC';
}

const notTaken = (reason: string) => new Problem(422, 'Not a file of work', reason);

/** What is read of a file needs: who is in the class, and what was answered about who is who. */
async function classOf(sectionId: string, teacherId: string, { database: { read } }: Services) {
  const of = { sectionId, removed: false };
  const enrolments = await load(read, 'enrolment', teacherId, of);
  const id = In([...new Set(enrolments.map(({ studentId }) => studentId))]);
  const answers = await load(read, 'participantAnswer', teacherId, of);
  return {
    students: await load(read, 'student', teacherId, { id, removed: false }),
    remembered: answers.map(({ entry, studentId }) => [entry, studentId] as const),
  };
}

export const workRoutes = [
  route('workFile', {
    allow: readerOf('section', 'sectionId', 'activity'),
    async handle({ params: { sectionId }, query, teacherId, services, response }) {
      checkRange(query);
      const { file } = services.database;
      const now = services.clock();
      const bytes = await services.jobs.run('workFile', { file, teacherId, sectionId, now, ...query });
      nameFile(response, `work-${query.from}-to-${query.to}`, query.format);
      return bytes;
    },
  }),
  route('readWork', {
    allow: readerOf('section', 'sectionId', 'activity'),
    async handle({ query: { order }, request, teacherId, services }) {
      const zone = await zoneOf(teacherId, services);
      const reading = await services.jobs.run('readWork', { bytes: fileOf(request), zone, order });
      if ('refused' in reading) throw notTaken(reading.refused);
      return reading;
    },
  }),
  route('bringActivity', {
    allow: readerOf('section', 'sectionId', 'activity'),
    async handle({ params: { sectionId }, query: { order, name = 'a file' }, request, teacherId, services }) {
      const { database, clock, jobs } = services;
      const bytes = fileOf(request);
      const zone = await zoneOf(teacherId, services);
      const known = await classOf(sectionId, teacherId, services);
      const read = await jobs.run('readActivity', { bytes, zone, order, ...known });
      if ('refused' in read) throw notTaken(read.refused);
      const heard = new Set<string>();
      const source = { name, digest: createHash('sha256').update(bytes).digest('hex') };
      const place = { database, clock, teacherId, sectionId, heard };
      const brought = await bringActivity(place, source, read.actions);
      if (brought.changeId !== null)
        tellPages(services, [teacherId, ...heard], [{ kind: 'activity.bring', payload: { sectionId } }]);
      return { ...brought, ofNobody: read.ofNobody };
    },
  }),
  route('classWork', {
    allow: readerOf('section', 'sectionId', 'activity'),
    cached: 'per-teacher',
    async handle({ params: { sectionId }, query, teacherId, services: { database } }) {
      const { read, lookUp } = database;
      const dueAt = [Between(query.from, `${query.to}U`), MoreThan(`${query.to}U`), IsNull()];
      const work = (
        await Promise.all(dueAt.map((when) => load(read, 'work', teacherId, { sectionId, dueAt: when })))
      ).flat();
      const ofThem = { workId: In(work.map(({ id }) => id)) };
      const handIn = await load(read, 'handIn', teacherId, ofThem);
      return { work, handIn, ...readActivity(lookUp, { sectionId, ...query }) };
    },
  }),
  route('studentDay', {
    allow: readerOf('section', 'sectionId', 'activity'),
    cached: 'per-teacher',
    handle: ({ params, services: { database } }) => Promise.resolve(readStudentDay(database.lookUp, params)),
  }),
];
