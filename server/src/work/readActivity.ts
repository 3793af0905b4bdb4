import type { z } from 'zod';
import type { ActivitySummary } from '@slate-path/core/api/work';
import { addDays } from '@slate-path/core/calendar/localTime';
import { rangeBefore, usualDays } from '@slate-path/core/work/seen';
import { dayLength } from '../database/activity/rollUps';
import { dateOf, numberOf } from '../database/activity/tables';
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

/** Days since 1970, as the roll-ups have them. */
const dayOf = (date: string) => Date.parse(`${date}T00:00:00Z`) / (dayLength * 1000);
const momentOf = (seconds: number) => new Date(seconds * 1000).toISOString().slice(0, 19);
const two = Array.from({ length: 60 }, (_, number) => String(number).padStart(2, '0'));

/** The time of day of a moment. */
function timeOf(at: number): string {
  const seconds = at % dayLength;
  const minutes = Math.floor(seconds / 60);
  return `${two[Math.floor(minutes / 60)] ?? ''}:${two[minutes % 60] ?? ''}:${two[seconds % 60] ?? ''}`;
}

/** What a range of days is asked by: the roll-ups' own numbers. */
interface Range {
  sectionId: string;
  from: number;
  to: number;
}

const rangeOf = ({ sectionId, from, to }: Asked): Range => ({ sectionId, from: dayOf(from), to: dayOf(to) });

/** Students who are or were in the class: by them the roll-up is found, for its rows stand by student and day. */
const students = `SELECT DISTINCT "n" FROM "activityWord" JOIN "enrolment" ON "text" = "studentId" WHERE "sectionId" = :sectionId AND NOT "enrolment"."removed"`;
const inClass = `"scope" = ${numberOf(':sectionId')} AND "student" IN (${students})`;
const here = `${inClass} AND "day" BETWEEN :from AND :to`;

/** The words behind some numbers. */
function wordsOf(sql: Sql, numbers: Iterable<number>): Map<number, string> {
  const wanted = JSON.stringify([...new Set(numbers)]);
  const rows = sql.all<{ n: number; text: string }>(
    'SELECT "n", "text" FROM "activityWord" WHERE "n" IN (SELECT "value" FROM json_each(?))',
    wanted,
  );
  return new Map(rows.map(({ n, text }) => [n, text]));
}

interface Counted {
  kind: number;
  place: number;
  count: number;
}

function counted(
  rows: readonly Counted[],
  field: 'kind' | 'place',
  words: ReadonlyMap<number, string>,
): { name: string; count: number }[] {
  const counts = new Map<string, number>();
  for (const row of rows) {
    const name = words.get(row[field]) ?? '';
    counts.set(name, (counts.get(name) ?? 0) + row.count);
  }
  return [...counts]
    .map(([name, count]) => ({ name, count }))
    .sort((a, b) => b.count - a.count || (a.name < b.name ? -1 : 1));
}

/** A day of a student, as the roll-ups have it: who, which day, how many, how many seconds, the first, the last, hours. */
type DayRow = [
  student: number,
  day: number,
  count: number,
  seconds: number,
  first: number,
  last: number,
  hours: number,
];

/** As one text: a term has thousands of rows, and an object of the database's for each takes three times as long. */
const asText = (columns: string, from: string) =>
  `SELECT json_group_array(json_array(${columns})) AS "rows" FROM ${from}`;

const rowsOf = <T>(sql: Sql, statement: string, values: object): T[] =>
  JSON.parse(sql.get<{ rows: string }>(statement, values)?.rows ?? '[]') as T[];

/** Each student's days, of all kinds and places or of those that are asked for, in the order of the roll-up. */
function daysOf(sql: Sql, asked: Asked, range: Range): DayRow[] {
  const { kind = null, place = null } = asked;
  if (kind === null && place === null)
    return rowsOf(
      sql,
      asText('"student", "day", "count", "seconds", "first", "last", "hours"', `"actionTotal" WHERE ${here}`),
      range,
    );
  const ofSome = ['kind', 'place']
    .map((name) => `(:${name} IS NULL OR "${name}" = ${numberOf(`:${name}`)})`)
    .join(' AND ');
  // SQLite adds up, and has no sum of bits.
  const hours = [...Array(24).keys()].map((hour) => `max("hours" & ${1 << hour})`).join(' + ');
  const summed = `SELECT "student", "day", sum("count") AS "count", sum("seconds") AS "seconds", min("first") AS "first", max("last") AS "last", ${hours} AS "hours" FROM "actionDay" WHERE ${here} AND ${ofSome} GROUP BY "scope", "student", "day"`;
  const columns = '"student", "day", "count", "seconds", "first", "last", "hours"';
  return rowsOf(sql, asText(columns, `(${summed})`), { ...range, kind, place });
}

/** What was done in a class in a range of days, from the daily roll-up: how long ago an action was costs nothing. */
export function readActivity(sql: Sql, asked: Asked): Summary {
  const { sectionId, from } = asked;
  const range = rangeOf(asked);
  const kindsAndPlaces = sql.all<Counted>(
    `SELECT "kind", "place", sum("count") AS "count" FROM "actionDay" WHERE ${here} GROUP BY "kind", "place"`,
    range,
  );
  const usual = sql.all<{ student: number; days: number }>(
    `SELECT "student", count(*) AS "days" FROM "actionTotal" WHERE ${here} GROUP BY "student"`,
    rangeOf({ sectionId, from: addDays(from, -usualDays), to: addDays(from, -1) }),
  );
  const lastOn = sql.all<{ studentId: string; student: number | null; lastOn: string | null }>(
    `SELECT DISTINCT "studentId", "n" AS "student", (SELECT ${dateOf('max("day")')} FROM "actionTotal" WHERE "scope" = ${numberOf(':sectionId')} AND "student" = "n" AND "day" < :from) AS "lastOn" FROM "enrolment" LEFT JOIN "activityWord" ON "text" = "studentId" WHERE "sectionId" = :sectionId AND NOT "removed"`,
    { sectionId, from: range.from },
  );
  const earlier = sql.get<{ active: number; actions: number | null }>(
    `SELECT count(DISTINCT "student") AS "active", sum("count") AS "actions" FROM "actionTotal" WHERE ${here}`,
    rangeOf({ sectionId, ...rangeBefore(asked) }),
  );
  const days = daysOf(sql, asked, range);
  const dates = new Map<number, string>();
  const dateOfDay = (day: number) => {
    const date = dates.get(day) ?? momentOf(day * dayLength).slice(0, 10);
    dates.set(day, date);
    return date;
  };
  const words = wordsOf(sql, [
    ...days.map(([student]) => student),
    ...kindsAndPlaces.flatMap(({ kind, place }) => [kind, place]),
  ]);
  const daysBefore = new Map(usual.map(({ student, days: before }) => [student, before]));
  return {
    days: days.map(([student, day, count, seconds, first, last, hours]): StudentDay => {
      const date = dateOfDay(day);
      const moments = { first: `${date}T${timeOf(first)}`, last: `${date}T${timeOf(last)}` };
      return { studentId: words.get(student) ?? '', day: date, count, seconds, hours, ...moments };
    }),
    kinds: counted(kindsAndPlaces, 'kind', words),
    places: counted(kindsAndPlaces, 'place', words),
    before: lastOn.map(({ studentId, student, lastOn: day }) => ({
      ...{ studentId, lastOn: day },
      days: (student === null ? undefined : daysBefore.get(student)) ?? 0,
    })),
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
  const begin = dayOf(date) * dayLength;
  const rows = sql.all<Record<'at' | 'kind' | 'place', number> & Pick<ActionRow, 'object' | 'seconds'>>(
    `SELECT "at", "kind", "place", "object", "seconds" FROM "action" WHERE "student" = ${numberOf(':studentId')} AND "at" >= :begin AND "at" < :end AND "scope" = ${numberOf(':sectionId')} AND NOT "removed" ORDER BY "at", "n" LIMIT :most`,
    { studentId, sectionId, begin, end: begin + dayLength, most: mostActions + 1 },
  );
  const words = wordsOf(
    sql,
    rows.flatMap(({ kind, place }) => [kind, place]),
  );
  const wordOf = (n: number) => words.get(n) ?? '';
  const actions = rows.slice(0, mostActions).map(({ at, kind, place, object, seconds }): ActionRow => ({
    ...{ at: momentOf(at), kind: wordOf(kind), place: wordOf(place) },
    ...{ object, seconds },
  }));
  return { actions, more: rows.length > mostActions };
}

/** How much a student did elsewhere, day by day, in the classes of which somebody may read it. */
export function daysElsewhere(
  sql: Sql,
  personId: string,
  studentId: string,
): { day: string; count: number }[] {
  return sql.all(
    `SELECT ${dateOf('"day"')} AS "day", sum("count") AS "count" FROM (SELECT "n", "text" AS "scopeId" FROM "activityWord") AS "activity" JOIN "actionTotal" ON "scope" = "activity"."n" WHERE ${readable('activity')} AND "student" = ${numberOf('?')} GROUP BY "day" ORDER BY "day"`,
    personId,
    studentId,
  );
}

/** The same in some classes. @param classes a list of their ids, with `?` for the student */
export const daysInClasses = (
  sql: Sql,
  studentId: string,
  classes: string,
): { day: string; count: number }[] =>
  sql.all(
    `SELECT ${dateOf('"day"')} AS "day", sum("count") AS "count" FROM "actionTotal" WHERE "scope" IN (SELECT "n" FROM "activityWord" WHERE "text" IN ${classes}) AND "student" = ${numberOf('?')} GROUP BY "day" ORDER BY "day"`,
    studentId,
    studentId,
  );
