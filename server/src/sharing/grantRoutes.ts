import type { RecordOf } from '@slate-path/core/records/schema';
import type { Member } from '../database/scopeEntities';
import type { Sql } from '../database/sql';
import { Problem } from '../http/problem';
import { readerOf, route } from '../http/route';
import { memberOf, peopleIn, roleIn, schoolOf } from '../scopes/access';
import { tellPages } from '../scopes/tellPages';
import { closeGrant, grantById, grantsOf, grantsTo, grantTo, openGrant } from './grants';
import { classesOf, wholePath } from './wholePath';

const notFound = () => new Problem(404, 'Not found', 'There is no such path that was given to you.');

/** Somebody of the same school who may read a path: not whoever gives it, and no assistant. */
function demandReader(sql: Sql, by: string, personId: string): void {
  const [giver, reader] = [memberOf(sql, by), memberOf(sql, personId)];
  if (!reader || reader.until !== null || reader.schoolId !== giver?.schoolId)
    throw new Problem(404, 'Not found', 'There is no such colleague in your school. Nothing was changed.');
  if (personId === by)
    throw new Problem(
      403,
      'Not for yourself',
      'A path is given to you by another of the student’s teachers. Nothing was changed.',
    );
  if (reader.role === 'assistant')
    throw new Problem(409, 'An assistant', 'Assistants see no notes and no paths. Nothing was changed.');
}

/** One of the student's teachers, the keeper of their school, or whoever it was given to. */
function mayEnd(sql: Sql, member: Member | undefined, studentId: string, personId: string): boolean {
  if (!member) return false;
  if (member.personId === personId || roleIn(sql, member.personId, studentId) === 'teacher') return true;
  return member.isKeeper && schoolOf(sql, studentId) === member.schoolId;
}

type Named = Pick<RecordOf<'student'>, 'id' | 'givenName' | 'familyName' | 'called' | 'grade'>;

function studentNamed(sql: Sql, id: string): Named | undefined {
  return sql.get<Named>(
    'SELECT "id", "givenName", "familyName", "called", "grade" FROM "student" WHERE "id" = ? AND NOT "removed"',
    id,
  );
}

export const grantRoutes = [
  route('pathGrants', {
    allow: 'member',
    handle({ teacherId, services: { database } }) {
      const { lookUp } = database;
      const given = grantsTo(lookUp, teacherId).flatMap(({ id, studentId, by, madeAt }) => {
        const student = studentNamed(lookUp, studentId);
        return student
          ? [{ id, student, grantedBy: by, since: madeAt, classes: classesOf(lookUp, studentId) }]
          : [];
      });
      return Promise.resolve({ given });
    },
  }),
  route('grantsOfPath', {
    allow: readerOf('student', 'studentId', 'step'),
    handle({ params, services: { database } }) {
      const grants = grantsOf(database.lookUp, params.studentId);
      return Promise.resolve({
        grants: grants.map(({ id, personId, name, by, madeAt }) => ({
          ...{ id, personId, name },
          grantedBy: by,
          since: madeAt,
        })),
      });
    },
  }),
  route('grantPath', {
    allow: readerOf('student', 'studentId', 'step'),
    async handle({ params: { studentId }, body: { personId }, teacherId, services }) {
      const { id, people } = await services.database.write((sql) => {
        demandReader(sql, teacherId, personId);
        const made = openGrant(sql, { studentId, personId }, teacherId, services.clock());
        return { id: made, people: [personId, ...peopleIn(sql, studentId)] };
      });
      tellPages(services, people);
      return { id };
    },
  }),
  route('endGrant', {
    allow: 'member',
    async handle({ params: { grantId }, teacherId, services }) {
      const people = await services.database.write((sql) => {
        const grant = grantById(sql, grantId);
        if (!grant || !mayEnd(sql, memberOf(sql, teacherId), grant.studentId, grant.personId))
          throw notFound();
        closeGrant(sql, grant, teacherId, services.clock());
        return [grant.personId, ...peopleIn(sql, grant.studentId)];
      });
      tellPages(services, people);
      return { done: true as const };
    },
  }),
  route('grantedPath', {
    allow: 'member',
    handle({ params: { studentId }, teacherId, services: { database } }) {
      const grant = grantTo(database.lookUp, teacherId, studentId);
      if (!grant) throw notFound();
      const { by: grantedBy, madeAt: since } = grant;
      return Promise.resolve({ ...wholePath(database.lookUp, studentId), grantedBy, since });
    },
  }),
];
