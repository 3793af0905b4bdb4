import { mondayOf } from '@slate-path/core/calendar/localTime';
import type { NodCount } from '@slate-path/core/nods/counts';
import { displayName } from '@slate-path/core/people/names';
import type { Student } from '@slate-path/core/records/schema';
import type { Sql } from '../database/sql';
import { madeInSchool } from '../scopes/access';

/** The school of somebody, and the days that are counted. */
export interface SchoolDays {
  personId: string;
  from: string;
  to: string;
}

/** Somebody with the names of their classes. */
export interface NamedStudent {
  id: string;
  name: string;
  classes: string[];
}

/** The scopes of a person's school. */
const ofSchool = `IN (SELECT "id" FROM "scope" WHERE "schoolId" = (SELECT "schoolId" FROM "member" WHERE "personId" = :personId))`;
/** Those without a class are their giver's own, and count too. */
const counted = `"nod" WHERE NOT "removed" AND ${madeInSchool.replace('?', ':personId')} AND "at" >= :from AND substr("at", 1, 10) <= :to`;

/** How many nods a school gave. @param by an expression over their columns */
function countsBy(sql: Sql, by: string, days: SchoolDays): NodCount[] {
  return sql.all<NodCount>(
    `SELECT ${by} AS "key", COUNT(*) AS "count" FROM ${counted} GROUP BY 1 ORDER BY 2 DESC, 1`,
    days,
  );
}

/** Days put together, in their order. */
function folded(days: readonly NodCount[], keyOf: (day: string) => string): NodCount[] {
  const sums = new Map<string, number>();
  for (const { key, count } of days) sums.set(keyOf(key), (sums.get(keyOf(key)) ?? 0) + count);
  return [...sums].map(([key, count]) => ({ key, count })).sort((a, b) => (a.key < b.key ? -1 : 1));
}

/** How many nods the whole school gave over some days. */
export function schoolCounts(sql: Sql, days: SchoolDays) {
  const byDay = countsBy(sql, `substr("at", 1, 10)`, days);
  return {
    total: byDay.reduce((sum, { count }) => sum + count, 0),
    counts: {
      student: countsBy(sql, '"studentId"', days),
      section: countsBy(sql, `coalesce("sectionId", '')`, days),
      reason: countsBy(sql, '"reason"', days),
      place: countsBy(sql, '"place"', days),
      week: folded(byDay, mondayOf),
      month: folded(byDay, (day) => day.slice(0, 7)),
    },
  };
}

type NameRow = Pick<Student, 'id' | 'givenName' | 'familyName' | 'called'> & { className: string };

const inClass = (day: string) =>
  `NOT e."removed" AND coalesce(e."startsOn", ${day}) <= ${day} AND coalesce(e."endsOn", ${day}) >= ${day} AND NOT c."removed"`;

function named(rows: readonly NameRow[]): NamedStudent[] {
  const found = new Map<string, NamedStudent>();
  for (const row of rows) {
    const known = found.get(row.id);
    if (known) known.classes.push(row.className);
    else found.set(row.id, { id: row.id, name: displayName(row), classes: [row.className] });
  }
  return [...found.values()].sort((a, b) => a.name.localeCompare(b.name));
}

const nameSql = `SELECT s."id", s."givenName", s."familyName", s."called", c."name" AS "className" FROM "student" s JOIN "enrolment" e ON e."studentId" = s."id" JOIN "section" c ON c."id" = e."sectionId"`;

/** Who had a nod over some days and is in a class of the school today. @param today at the school */
export function noddedStudents(sql: Sql, days: SchoolDays, today: string): NamedStudent[] {
  return named(
    sql.all<NameRow>(
      `${nameSql} WHERE NOT s."removed" AND s."scopeId" ${ofSchool} AND ${inClass(':today')} AND s."id" IN (SELECT "studentId" FROM ${counted}) ORDER BY c."name"`,
      { ...days, today },
    ),
  );
}

/** The names of whoever stands in the lists of a school's draws, with the classes that they were ever in. */
export function drawnStudents(sql: Sql, personId: string): NamedStudent[] {
  return named(
    sql.all<NameRow>(
      `${nameSql} WHERE s."scopeId" ${ofSchool} AND NOT c."removed" AND s."id" IN (SELECT l."value" ->> 'studentId' FROM "draw" d, json_each(d."entries") l WHERE d."sectionId" IS NULL AND NOT d."removed" AND d."scopeId" ${ofSchool}) ORDER BY c."name"`,
      { personId },
    ),
  );
}

/** The classes of a school that nods were given in. */
export function noddedClasses(sql: Sql, days: SchoolDays): { id: string; name: string }[] {
  return sql.all(
    `SELECT "id", "name" FROM "section" WHERE "id" IN (SELECT "sectionId" FROM ${counted})`,
    days,
  );
}
