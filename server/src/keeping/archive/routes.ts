import { many } from '@slate-path/core/words/many';
import { localMoment } from '@slate-path/core/calendar/zone';
import { Problem } from '../../http/problem';
import { route } from '../../http/route';
import { reads, writes } from '@slate-path/core/scopes/rights';
import { roleIn } from '../../scopes/access';
import type { Services } from '../../services';
import { load } from '../../database/load';
import { comeBack, erasedStudents } from '../erasure/erased';
import { tellPages } from '../../scopes/tellPages';
import { bringArchive } from './bring';
import { NotBrought } from '../../changes/bulk';
import type { ArchiveRead } from './readFile';

async function readIt(
  body: unknown,
  teacherId: string,
  { database, jobs }: Services,
  leavesErasedOut: boolean,
): Promise<ArchiveRead> {
  const [school] = await load(database.read, 'school', teacherId);
  const bytes = body instanceof Uint8Array ? body : new Uint8Array();
  const erased = erasedStudents(database.lookUp, teacherId);
  const zone = school?.zone ?? 'UTC';
  const read = await jobs.run('readArchive', { bytes, zone, erased, leavesErasedOut });
  if ('refused' in read)
    throw new Problem(
      422,
      'Not an archive',
      `This cannot be brought in: ${read.refused} Nothing was changed.`,
    );
  return read;
}

/** A class that is here already, with others, is not brought in beside itself: they share it. */
function demandNotElsewhere({ database: { lookUp } }: Services, teacherId: string, read: ArchiveRead): void {
  const taken = (read.records.section ?? []).find(
    ({ id }) =>
      lookUp.get('SELECT 1 FROM "section" WHERE "id" = ?', id) !== undefined &&
      !writes(roleIn(lookUp, teacherId, id), 'section'),
  );
  if (taken)
    throw new Problem(
      409,
      'Here already',
      `${taken.name} is on this server already, with somebody else. Nothing was brought in. Ask whoever teaches it to share it with you, under Colleagues.`,
    );
}

/** By teacher: the share of an archive that has been brought in so far. */
const underWay = new Map<string, number>();

export const archiveRoutes = [
  route('archive', {
    allow: 'member',
    async handle({ query: { sectionId }, teacherId, response, services: { database, jobs, clock } }) {
      const now = clock();
      if (sectionId !== undefined && !reads(roleIn(database.lookUp, teacherId, sectionId), 'step'))
        throw new Problem(404, 'Not found', 'There is no such class that you teach. Nothing was made.');
      const bytes = await jobs.run('archiveFile', { file: database.file, teacherId, sectionId, now });
      const [school] = await load(database.read, 'school', teacherId);
      const { date } = localMoment(now, school?.zone ?? 'UTC');
      response.setHeader(
        'Content-Disposition',
        `attachment; filename="${sectionId === undefined ? 'slate-path' : 'class'}-${date}.zip"`,
      );
      response.type('application/zip');
      return bytes;
    },
  }),
  route('readArchive', {
    allow: 'member',
    async handle({ request, teacherId, services }) {
      const { counts, errors, notes, erased } = await readIt(request.body, teacherId, services, true);
      return { counts, errors, notes, erased: erased.length };
    },
  }),
  route('bringArchive', {
    allow: 'member',
    async handle({ request, query, teacherId, services }) {
      const read = await readIt(request.body, teacherId, services, query.erased !== 'bringBack');
      if (read.errors.length > 0)
        throw new Problem(
          422,
          'Errors in the archive',
          `Nothing was brought in: ${read.errors.slice(0, 5).join('; ')}`,
        );
      if (read.erased.length > 0 && query.erased === undefined)
        throw new Problem(
          409,
          'Erased here',
          `${many(read.erased.length, 'student')} in this archive were erased here. Nothing was brought in; say whether they are left out or come back.`,
        );
      demandNotElsewhere(services, teacherId, read);
      try {
        const { database, clock } = services;
        if (query.erased === 'bringBack') await comeBack(database, teacherId, read.erased);
        underWay.set(teacherId, 0);
        const heard = new Set<string>();
        const brought = await bringArchive({ database, clock, teacherId, heard }, read, (share) =>
          underWay.set(teacherId, share),
        );
        tellPages(services, [teacherId, ...heard]);
        return brought;
      } catch (error) {
        if (error instanceof NotBrought) throw new Problem(422, 'Not brought in', error.message);
        throw error;
      } finally {
        underWay.delete(teacherId);
      }
    },
  }),
  route('archiveProgress', {
    allow: 'member',
    handle: ({ teacherId }) => Promise.resolve({ share: underWay.get(teacherId) ?? null }),
  }),
];
