import type { z } from 'zod';
import type { ActivitySummary } from '@slate-path/core/api/work';
import { addDays } from '@slate-path/core/calendar/localTime';
import { rangeBefore, usualDays } from '@slate-path/core/work/seen';
import type { Sql } from '../database/sql';
import { readable } from '../scopes/access';

type Summary = z.output<typeof ActivitySummary>;
type StudentDay = Summary['days'][number];

interface Asked {
  sectionId: string;
  from: string;
  to: string;
  kind?: string | null | undefined;
  place?: string | null | undefined;
}

/** Students who are or were in the class: by them the roll-up is found, for its rows stand by student and day. */
const students = `SELECT DISTINCT "studentId" FROM "enrolment" WHERE "sectionId" = :sectionId AND NOT "removed"`;
const here = `"scopeId" = :sectionId AND "studentId" IN (${students}) AND "day" BETWEEN :from AND :to`;

interface Counted {
  kind: string;
  place: string;
  count: number;
}

function counted(rows: readonly Counted[], field: 'kind' | 'place'): { name: string; count: number }[] {
  const counts = new Map<string, number>();
  for (const row of rows) counts.set(row[field], (counts.get(row[field]) ?? 0) + row.count);
  return [...counts]
    .map(([name, count]) => ({ name, count }))
    .sort((a, b) => b.count - a.count || (a.name < b.name ? -1 : 1));
}

const said = `"studentId", "day", "count", "seconds", "firstAt" AS "first", "lastAt" AS "last", "hours"`;
const ofSome = `${here} AND (:kind IS NULL OR "kind" = :kind) AND (:place IS NULL OR "place" = :place)`;

/** Each student's days, of all kinds and places or of those that are asked for, in the order of the roll-up. */
function daysOf(sql: Sql, { sectionId, from, to, kind = null, place = null }: Asked): StudentDay[] {
  if (kind === null && place === null)
    return sql.all(`SELECT ${said} FROM "activityTotal" WHERE ${here}`, { sectionId, from, to });
  const rows = sql.all<Omit<StudentDay, 'hours'> & { hours: string }>(
    `SELECT "studentId", "day", sum("count") AS "count", sum("seconds") AS "seconds", min("firstAt") AS "first", max("lastAt") AS "last", group_concat("hours") AS "hours" FROM "activityDay" WHERE ${ofSome} GROUP BY "scopeId", "studentId", "day"`,
    { sectionId, from, to, kind, place },
  );
  // SQLite adds up, and has no sum of bits.
  return rows.map((row) => ({
    ...row,
    hours: row.hours.split(',').reduce((bits, one) => bits | Number(one), 0),
  }));
}

/** What was done in a class in a range of days, from the daily roll-up: how long ago an action was costs nothing. */
export function readActivity(sql: Sql, asked: Asked): Summary {
  const { sectionId, from, to } = asked;
  const kindsAndPlaces = sql.all<Counted>(
    `SELECT "kind", "place", sum("count") AS "count" FROM "activityDay" WHERE ${here} GROUP BY "kind", "place"`,
    { sectionId, from, to },
  );
  const dayBefore = addDays(from, -1);
  const usual = sql.all<{ studentId: string; days: number }>(
    `SELECT "studentId", count(*) AS "days" FROM "activityTotal" WHERE ${here} GROUP BY "studentId"`,
    { sectionId, from: addDays(from, -usualDays), to: dayBefore },
  );
  const lastOn = sql.all<{ studentId: string; lastOn: string | null }>(
    `SELECT "studentId", (SELECT max("day") FROM "activityTotal" WHERE "scopeId" = :sectionId AND "studentId" = one."studentId" AND "day" < :from) AS "lastOn" FROM (${students}) AS one`,
    { sectionId, from },
  );
  const earlier = sql.get<{ active: number; actions: number | null }>(
    `SELECT count(DISTINCT "studentId") AS "active", sum("count") AS "actions" FROM "activityTotal" WHERE ${here}`,
    { sectionId, ...rangeBefore({ from, to }) },
  );
  const daysBefore = new Map(usual.map(({ studentId, days }) => [studentId, days]));
  return {
    days: daysOf(sql, asked),
    kinds: counted(kindsAndPlaces, 'kind'),
    places: counted(kindsAndPlaces, 'place'),
    before: lastOn.map((row) => ({ ...row, days: daysBefore.get(row.studentId) ?? 0 })),
    earlier: { active: earlier?.active ?? 0, actions: earlier?.actions ?? 0 },
  };
}

/** Actions that one answer tells at most. */
const mostActions = 2000;

export interface ActionRow {
  at: string;
  kind: string;
  place: string;
  object: string;
  seconds: number | null;
}

/** What one student did on a day, action by action. */
export function readStudentDay(
  sql: Sql,
  { sectionId, studentId, date }: { sectionId: string; studentId: string; date: string },
): { actions: ActionRow[]; more: boolean } {
  const found = sql.all<ActionRow>(
    `SELECT substr("at" || ':00', 1, 19) AS "at", "kind", "place", "object", "seconds" FROM "activity" WHERE "studentId" = ? AND "at" >= ? AND "at" < ? AND "sectionId" = ? AND NOT "removed" ORDER BY "at", rowid LIMIT ?`,
    studentId,
    date,
    `${date}U`,
    sectionId,
    mostActions + 1,
  );
  return { actions: found.slice(0, mostActions), more: found.length > mostActions };
}

/** How much a student did elsewhere, day by day, in the classes of which somebody may read it. */
export function daysElsewhere(
  sql: Sql,
  personId: string,
  studentId: string,
): { day: string; count: number }[] {
  return sql.all(
    `SELECT "day", sum("count") AS "count" FROM "activityTotal" AS "activity" WHERE ${readable('activity')} AND "studentId" = ? GROUP BY "day" ORDER BY "day"`,
    personId,
    studentId,
  );
}
