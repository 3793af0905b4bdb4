import { createHash } from 'node:crypto';
import { Between, In, IsNull, MoreThan } from '../database/conditions';
import { load } from '../database/load';
import { nameFile } from '../files/nameFile';
import { Problem } from '../http/problem';
import { checkRange } from '../http/range';
import { readerOf, route } from '../http/route';
import { tellPages } from '../scopes/tellPages';
import { bringActivity } from './bringActivity';
import { classOf, zoneOf } from './classOf';
import { readActivity, readStudentDay } from './readActivity';

/** The file of a request, as it came. */
function fileOf({ body }: { body: unknown }): Uint8Array {
  return body instanceof Uint8Array ? body : new Uint8Array();
}

const notTaken = (reason: string) => new Problem(422, 'Not a file of work', reason);

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
    async handle({ params: { sectionId }, query: { order }, request, teacherId, services }) {
      const zone = await zoneOf(teacherId, services.database);
      const { students } = await classOf(sectionId, teacherId, services.database);
      const emails = students.map(({ email }) => email);
      const reading = await services.jobs.run('readWork', { bytes: fileOf(request), zone, order, emails });
      if ('refused' in reading) throw notTaken(reading.refused);
      return reading;
    },
  }),
  route('bringActivity', {
    allow: readerOf('section', 'sectionId', 'activity'),
    async handle({ params: { sectionId }, query: { order, name = 'a file' }, request, teacherId, services }) {
      const { database, clock, jobs } = services;
      const bytes = fileOf(request);
      const zone = await zoneOf(teacherId, database);
      const known = await classOf(sectionId, teacherId, database);
      const read = await jobs.run('readActivity', { bytes, zone, order, sectionId, ...known });
      if ('refused' in read) throw notTaken(read.refused);
      const heard = new Set<string>();
      const digest = createHash('sha256').update(bytes).digest('hex');
      const source = { name, digest, comes: 'file' } as const;
      const place = { database, clock, teacherId, sectionId, heard };
      const { fresh: _fresh, ...brought } = await bringActivity(place, source, read.parts);
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
