import type { z } from 'zod';
import type { ActivitySummary } from '@slate-path/core/api/work';
import { addDays } from '@slate-path/core/calendar/localTime';
import { rangeBefore, usualDays } from '@slate-path/core/work/seen';
import type { Sql } from '../database/sql';
import { readable } from '../scopes/access';

type Summary = z.output<typeof ActivitySummary>;
type StudentDay = Summary['days'][number];

export interface ActivityQuery {
  sectionId: string;
  from: string;
  to: string;
  kind?: string | undefined;
  place?: string | undefined;
}

/** Students who are or were in the class: by them the roll-up is found, for its rows stand by student and day. */
const students = `SELECT DISTINCT "studentId" FROM "enrolment" WHERE "sectionId" = :sectionId AND NOT "removed"`;
const here = `"scopeId" = :sectionId AND "studentId" IN (${students}) AND "day" BETWEEN :from AND :to`;

interface Row extends StudentDay {
  kind: string;
  place: string;
}

function counted(rows: readonly Row[], field: 'kind' | 'place'): { name: string; count: number }[] {
  const counts = new Map<string, number>();
  for (const row of rows) counts.set(row[field], (counts.get(row[field]) ?? 0) + row.count);
  return [...counts]
    .map(([name, count]) => ({ name, count }))
    .sort((a, b) => b.count - a.count || (a.name < b.name ? -1 : 1));
}

/** Kinds and places of a student's day added up. @param rows in the order of students and days */
function mergedDays(rows: readonly Row[]): StudentDay[] {
  const days: StudentDay[] = [];
  for (const { kind: _kind, place: _place, ...row } of rows) {
    const last = days.at(-1);
    if (last?.studentId !== row.studentId || last.day !== row.day) {
      days.push(row);
      continue;
    }
    last.count += row.count;
    last.seconds += row.seconds;
    last.hours |= row.hours;
    if (row.first < last.first) last.first = row.first;
    if (row.last > last.last) last.last = row.last;
  }
  return days;
}

/** What was done in a class in a range of days, from the daily roll-up: how long ago an action was costs nothing. */
export function readActivity(sql: Sql, { sectionId, from, to, kind, place }: ActivityQuery): Summary {
  const all = sql.all<Row>(
    `SELECT "studentId", "day", "kind", "place", "count", "seconds", "firstAt" AS "first", "lastAt" AS "last", "hours" FROM "activityDay" WHERE ${here} ORDER BY "studentId", "day"`,
    { sectionId, from, to },
  );
  const wanted = all.filter(
    (row) => (kind === undefined || row.kind === kind) && (place === undefined || row.place === place),
  );
  const dayBefore = addDays(from, -1);
  const usual = sql.all<{ studentId: string; days: number }>(
    `SELECT "studentId", count(DISTINCT "day") AS "days" FROM "activityDay" WHERE ${here} GROUP BY "studentId"`,
    { sectionId, from: addDays(from, -usualDays), to: dayBefore },
  );
  const lastOn = sql.all<{ studentId: string; lastOn: string | null }>(
    `SELECT "studentId", (SELECT max("day") FROM "activityDay" WHERE "scopeId" = :sectionId AND "studentId" = one."studentId" AND "day" < :from) AS "lastOn" FROM (${students}) AS one`,
    { sectionId, from },
  );
  const earlier = sql.get<{ active: number; actions: number | null }>(
    `SELECT count(DISTINCT "studentId") AS "active", sum("count") AS "actions" FROM "activityDay" WHERE ${here}`,
    { sectionId, ...rangeBefore({ from, to }) },
  );
  const daysOf = new Map(usual.map(({ studentId, days }) => [studentId, days]));
  return {
    days: mergedDays(wanted),
    kinds: counted(all, 'kind'),
    places: counted(all, 'place'),
    before: lastOn.map((row) => ({ ...row, days: daysOf.get(row.studentId) ?? 0 })),
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
    `SELECT "day", sum("count") AS "count" FROM "activityDay" AS "activity" WHERE ${readable('activity')} AND "studentId" = ? GROUP BY "day" ORDER BY "day"`,
    personId,
    studentId,
  );
}
