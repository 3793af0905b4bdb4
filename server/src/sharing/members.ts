import { endOtherSessions } from '../accounts/sessions';
import type { Member } from '../database/scopeEntities';
import type { Sql } from '../database/sql';
import { dayAtSchool, memberOf, renewAccess } from '../scopes/access';
import { closeGrantsTo } from './grants';
import { closeTeaching, isLastTeacher, openTeaching, openTeachings } from './teachings';

/** What was asked for cannot be, with the reason. */
export class NotSo extends Error {}

export interface ShownMember {
  id: string;
  name: string;
  role: Member['role'];
  isKeeper: boolean;
}

/** Who belongs to a school, by name. */
export function membersOf(sql: Sql, schoolId: string): ShownMember[] {
  return sql
    .all<Omit<ShownMember, 'isKeeper'> & { isKeeper: number }>(
      'SELECT t."id", t."name", m."role", m."isKeeper" FROM "member" m JOIN "teacher" t ON t."id" = m."personId" WHERE m."schoolId" = ? AND m."until" IS NULL ORDER BY t."name", t."id"',
      schoolId,
    )
    .map((found) => ({ ...found, isKeeper: found.isKeeper === 1 }));
}

function isLastKeeper(sql: Sql, personId: string): boolean {
  return (
    sql.get(
      'SELECT 1 FROM "member" WHERE "schoolId" = (SELECT "schoolId" FROM "member" WHERE "personId" = ?) AND "isKeeper" AND "until" IS NULL AND "personId" <> ?',
      personId,
      personId,
    ) === undefined
  );
}

/** What somebody is in classes follows from what they are at the school: an assistant assists, a reader has none. */
function fitTeachings(sql: Sql, personId: string, role: Member['role'], by: string, now: number): string[] {
  if (role === 'teacher') return [];
  const { schoolId = '' } = memberOf(sql, personId) ?? {};
  const people = openTeachings(sql, schoolId, '')
    .filter(
      (teaching) => teaching.personId === personId && (role === 'reader' || teaching.role === 'teacher'),
    )
    .flatMap((teaching) => {
      if (isLastTeacher(sql, teaching))
        throw new NotSo('They are the only teacher of a class: share it with another first.');
      const told = closeTeaching(sql, teaching, by, now);
      if (role === 'assistant') openTeaching(sql, { ...teaching, role }, by, now);
      return told;
    });
  if (role === 'assistant') closeGrantsTo(sql, personId, now);
  return people;
}

/** Sets what somebody is at the school. @param by who decides it @returns whose view it changes @throws NotSo */
export function setMember(
  sql: Sql,
  personId: string,
  { role, isKeeper }: Pick<Member, 'role' | 'isKeeper'>,
  by: string,
  now: number,
): string[] {
  if (!isKeeper && isLastKeeper(sql, personId))
    throw new NotSo('Somebody has to keep the school: make another keeper first.');
  if (isKeeper && role !== 'teacher') throw new NotSo('A keeper is one of the teachers.');
  sql.run(
    'UPDATE "member" SET "role" = ?, "isKeeper" = ? WHERE "personId" = ?',
    role,
    isKeeper ? 1 : 0,
    personId,
  );
  const people = fitTeachings(sql, personId, role, by, now);
  renewAccess(sql, personId, dayAtSchool(sql, personId, now));
  return [...new Set([personId, ...people])];
}

/**
 * Somebody leaves the school: classes of which they are the last teacher go to somebody else, what they are in others
 * ends, their devices are signed out. What they wrote in classes stays there; their own notes are seen by nobody.
 * @returns whose view it changes @throws NotSo
 */
export function leave(
  sql: Sql,
  { personId, handTo, by }: { personId: string; handTo: string | null; by: string },
  now: number,
): string[] {
  if (isLastKeeper(sql, personId))
    throw new NotSo('Somebody has to keep the school: make another keeper first.');
  if (handTo === personId) throw new NotSo('Classes go to somebody else.');
  const people = new Set([personId]);
  const schoolId = sql.get<Pick<Member, 'schoolId'>>(
    'SELECT "schoolId" FROM "member" WHERE "personId" = ?',
    personId,
  )?.schoolId;
  const own = openTeachings(sql, schoolId ?? '', '').filter((teaching) => teaching.personId === personId);
  for (const teaching of own) {
    if (isLastTeacher(sql, teaching)) {
      if (handTo === null) throw new NotSo('Say who takes over the classes that would have no teacher.');
      const { sectionId } = teaching;
      const wanted = { sectionId, personId: handTo, role: 'teacher' as const, startsOn: null, endsOn: null };
      openTeaching(sql, wanted, by, now);
    }
    for (const person of closeTeaching(sql, teaching, by, now)) people.add(person);
  }
  sql.run('UPDATE "member" SET "until" = ? WHERE "personId" = ?', new Date(now).toISOString(), personId);
  closeGrantsTo(sql, personId, now);
  endOtherSessions(sql, personId, null);
  renewAccess(sql, personId, '');
  return [...people];
}
