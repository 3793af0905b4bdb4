import { ulid } from 'ulid';
import type { Teaching } from '../database/scopeEntities';
import type { Sql } from '../database/sql';
import { writeLine } from '../changes/log';
import { dayAtSchool, renewAccess } from '../scopes/access';
import { tell } from '../scopes/news';

/** What the log says of who is what in which class: a line of its own kind, by whoever decided it. */
export const shareKind = 'share';

/** What somebody is in which class, and when. */
export type NewTeaching = Pick<Teaching, 'sectionId' | 'personId' | 'role' | 'startsOn' | 'endsOn'>;

/** Whoever teaches a class, or taught it once: what they may see of each other changes with any of them. */
function peopleOf(sql: Sql, sectionId: string): string[] {
  const found = sql.all<{ personId: string }>(
    'SELECT DISTINCT "personId" FROM "teaching" WHERE "sectionId" = ?',
    sectionId,
  );
  return found.map(({ personId }) => personId);
}

/** Works out anew what the people of a class see, and tells them. @returns who they are */
function settle(sql: Sql, sectionId: string, by: string, payload: unknown, now: number): string[] {
  const id = ulid(now);
  const at = new Date(now).toISOString();
  const line = { id, kind: shareKind, device: 'server', madeAt: at, payload };
  writeLine(sql, line, { teacherId: by, receivedAt: at }, sectionId, []);
  const people = peopleOf(sql, sectionId);
  for (const personId of people) renewAccess(sql, personId, dayAtSchool(sql, personId, now));
  tell(sql, people, { kind: shareKind, changeId: id });
  return people;
}

/** Makes somebody something in a class. @param by who decides it @returns the new line's id, and whose view it changes */
export function openTeaching(
  sql: Sql,
  wanted: NewTeaching,
  by: string,
  now: number,
): { id: string; people: string[] } {
  const { sectionId, personId, role, startsOn, endsOn } = wanted;
  const id = ulid(now);
  sql.run(
    'INSERT INTO "teaching" ("id", "sectionId", "personId", "role", "startsOn", "endsOn", "madeAt") VALUES (?, ?, ?, ?, ?, ?, ?)',
    ...[id, sectionId, personId, role, startsOn, endsOn, new Date(now).toISOString()],
  );
  return { id, people: settle(sql, sectionId, by, wanted, now) };
}

/** Ends what somebody is in a class. @returns whose view it changes */
export function closeTeaching(sql: Sql, { id, sectionId }: Teaching, by: string, now: number): string[] {
  sql.run('UPDATE "teaching" SET "endedAt" = ? WHERE "id" = ?', new Date(now).toISOString(), id);
  return settle(sql, sectionId, by, { ended: id }, now);
}

export function teachingOf(sql: Sql, id: string): Teaching | null {
  return sql.get<Teaching>('SELECT * FROM "teaching" WHERE "id" = ? AND "endedAt" IS NULL', id) ?? null;
}

/** Who is something in a school's classes, today or later. */
export function openTeachings(sql: Sql, schoolId: string, today: string): Teaching[] {
  return sql.all<Teaching>(
    `SELECT t.* FROM "teaching" t JOIN "scope" s ON s."id" = t."sectionId" WHERE s."schoolId" = ? AND t."endedAt" IS NULL AND (t."endsOn" IS NULL OR t."endsOn" >= ?) ORDER BY t."id"`,
    schoolId,
    today,
  );
}

/** Would a class that is kept be without a teacher if this ended? A cover or an assistant does not count. */
export function isLastTeacher(sql: Sql, { id, sectionId, role }: Teaching): boolean {
  if (role !== 'teacher') return false;
  const isKept = sql.get('SELECT 1 FROM "section" WHERE "id" = ? AND NOT "removed"', sectionId) !== undefined;
  const other = sql.get(
    `SELECT 1 FROM "teaching" WHERE "sectionId" = ? AND "id" <> ? AND "role" = 'teacher' AND "endedAt" IS NULL AND "endsOn" IS NULL`,
    sectionId,
    id,
  );
  return isKept && other === undefined;
}
