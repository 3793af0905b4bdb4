import { daysOnDevice } from '@slate-path/core/sync/onDevice';
import { addDays } from '@slate-path/core/calendar/localTime';
import type { RecordLists } from '@slate-path/core/records/records';
import type { Enrolment, TableName } from '@slate-path/core/records/schema';
import type { Sql } from '../database/sql';
import { recordOfColumns } from '../database/rowSql';
import { alsoReadable, colleaguesOf, readable } from '../scopes/access';
import { retired } from '../scopes/retired';
import { rowsBy } from './rowsBy';

/** Rows of one page. */
const pageLength = 4000;

const lately = '(SELECT "id" FROM "lesson" WHERE "date" >= :since)';
const notesHere =
  '("note"."at" >= :since OR "note"."id" IN (SELECT "noteId" FROM "followUp" WHERE "outcome" = \'open\'))';
const ofNotes = `"noteId" IN (SELECT "id" FROM "note" WHERE ${notesHere})`;
/** Pieces of one student: their days are counted on the device. */
const ownWork = '"studentId" IS NOT NULL';
const inLessons = `"lessonId" IN ${lately}`;

/** What a device holds, table by table: all of it, or what a condition says. */
const held: readonly (readonly [table: TableName, where: string | null])[] = [
  ['school', null],
  ['term', null],
  ['dayOff', null],
  ['section', null],
  ['meeting', null],
  ['standing', null],
  ['student', null],
  ['guardian', null],
  ['enrolment', null],
  ['lesson', null],
  ['participantAnswer', null],
  ['checkInSetting', null],
  ['lookFor', null],
  ['focus', null],
  ['studentGroup', null],
  ['roomPlan', null],
  ['seating', null],
  ['seatWish', null],
  ['levelNames', null],
  ['topic', null],
  ['passedWord', null],
  ['nodReason', null],
  ['nodTelling', null],
  ['nod', '"at" >= :since'],
  // All of a class's, for who had a turn; the school's are on their own page.
  ['draw', '"sectionId" IS NOT NULL'],
  ['tickColumn', null],
  ['tick', null],
  ['phrase', null],
  ['phraseUse', null],
  ['mark', inLessons],
  ['checkIn', inLessons],
  ['otherCheckIn', inLessons],
  ['sweep', inLessons],
  ['tallying', inLessons],
  ['tally', inLessons],
  ['turn', inLessons],
  ['game', inLessons],
  ['gamePoint', `"gameId" IN (SELECT "id" FROM "game" WHERE ${inLessons})`],
  ['roomTone', inLessons],
  ['observationPlan', null],
  ['observationPhase', null],
  ['observationComment', null],
  ['observation', inLessons],
  ['observationEvent', `"observationId" IN (SELECT "id" FROM "observation" WHERE ${inLessons})`],
  ['work', ownWork],
  ['handIn', `"workId" IN (SELECT "id" FROM "work" WHERE ${ownWork})`],
  // Those left open too: whoever opens the next lesson is asked.
  ['circle', `("endedAt" IS NULL OR ${inLessons})`],
  ['circleMember', `"circleId" IN (SELECT "id" FROM "circle" WHERE "endedAt" IS NULL OR ${inLessons})`],
  ['note', notesHere],
  ['noteStudent', ofNotes],
  ['noteTopic', ofNotes],
  ['followUp', `("outcome" = 'open' OR ${ofNotes})`],
];

export interface Page {
  rows: RecordLists;
  /** Where the next page begins; null after the last. */
  next: [table: number, rowid: number] | null;
}

/** Where a snapshot begins. */
export const beginning: [table: number, rowid: number] = [0, 0];

/** A page of all that a device holds. @param today at the school */
export function snapshotPage(
  sql: Sql,
  personId: string,
  today: string,
  [first, afterRow]: [table: number, rowid: number],
): Page {
  const since = addDays(today, -daysOnDevice);
  const rows: Record<string, unknown[]> = {};
  let left = pageLength;
  let after = afterRow;
  for (let index = first; index < held.length; index += 1) {
    const [table, where] = held[index] ?? ['school', null];
    const found = pageOf(sql, table, where, { personId, since, after, limit: left });
    if (found.length > 0)
      rows[table] = retired(table, found, () => colleaguesOf(sql, personId)).map(toRecord(table));
    left -= found.length;
    if (left <= 0) return { rows, next: [index, Number(found.at(-1)?.['rowNumber'])] };
    after = 0;
  }
  return { rows, next: null };
}

const toRecord = (table: TableName) => (row: Record<string, unknown>) => {
  const { rowNumber: _number, ...columns } = row;
  return recordOfColumns(table, columns);
};

/** All that a device holds of one scope that came to be seen: a class with its students, or a colleague's words. */
export function snapshotOfScope(sql: Sql, personId: string, today: string, scopeId: string): RecordLists {
  const since = addDays(today, -daysOnDevice);
  const rows: Record<string, unknown[]> = {};
  const add = (table: TableName, found: Record<string, unknown>[]) => {
    if (found.length > 0)
      rows[table] = retired(table, found, () => colleaguesOf(sql, personId)).map(toRecord(table));
  };
  for (const [table, where] of held)
    add(table, pageOf(sql, table, where, { personId, since, after: 0, limit: -1, scopeId }));
  const studentIds = (rows['enrolment'] ?? []).map((row) => (row as Enrolment).studentId);
  add('student', rowsBy(sql, personId, 'student', 'id', studentIds));
  add('guardian', rowsBy(sql, personId, 'guardian', 'studentId', studentIds));
  return rows;
}

interface Range {
  personId: string;
  since: string;
  after: number;
  /** Below 0: all of them. */
  limit: number;
  /** Only what belongs to it. */
  scopeId?: string;
}

function pageOf(
  sql: Sql,
  table: TableName,
  where: string | null,
  { personId, since, after, limit, scopeId }: Range,
): Record<string, unknown>[] {
  const isNarrow = where !== null || scopeId !== undefined;
  const seen = isNarrow ? alsoReadable(table) : readable(table);
  const inScope = scopeId === undefined ? null : `"${table}"."scopeId" = ?`;
  const windows = where?.split(':since').length ?? 1;
  const condition = [seen, inScope, where?.replaceAll(':since', '?')].filter(Boolean).join(' AND ');
  return sql.all(
    `SELECT "${table}".rowid AS "rowNumber", "${table}".* FROM "${table}" WHERE ${condition} AND "${table}".rowid > ? ORDER BY "${table}".rowid LIMIT ?`,
    personId,
    ...(scopeId === undefined ? [] : [scopeId]),
    ...Array.from({ length: windows - 1 }, () => since),
    after,
    limit,
  );
}
