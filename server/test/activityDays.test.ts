import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import fc from 'fast-check';
import { rollUp } from '@slate-path/core/work/rollUp';
import { holdTable, rollUpTables, rollUpTriggers } from '../src/database/activity/rollUps';
import { takeBackActions } from '../src/database/activity/writeActions';
import { Sql } from '../src/database/sql';
import { actionTables, activityTriggers, activityView, forgetUnused } from '../src/database/activity/tables';

/** Actions and their roll-ups as they stand, without the records that they are about. */
function tables(): Database.Database {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'slate-'));
  const database = new Database(path.join(folder, 'activity.sqlite'));
  for (const statement of [
    ...actionTables,
    ...rollUpTables,
    holdTable,
    activityView,
    ...rollUpTriggers,
    ...activityTriggers,
  ])
    database.exec(statement);
  return database;
}

const two = (number: number) => String(number).padStart(2, '0');
const action = fc.record({
  id: fc.nat(30).map(String),
  scopeId: fc.constantFrom('s', 't'),
  studentId: fc.constantFrom('a', 'b'),
  at: fc
    .tuple(fc.integer({ min: 1, max: 3 }), fc.nat(23), fc.nat(59), fc.boolean())
    .map(([day, hour, minute, whole]) => `2026-11-0${day}T${two(hour)}:${two(minute)}${whole ? ':07' : ''}`),
  kind: fc.constantFrom('opened', 'posted', ''),
  place: fc.constantFrom('Log book', 'Forum'),
  seconds: fc.option(fc.nat(900)),
  /** The change by which it is made. */
  by: fc.constantFrom('c1', 'c2'),
});
type Action = typeof action extends fc.Arbitrary<infer T> ? T : never;
const step = fc.oneof(
  { weight: 4, arbitrary: fc.record({ does: fc.constant('write'), action }) },
  fc.record({
    does: fc.constantFrom('remove', 'revive', 'erase', 'change', 'takeBack'),
    action,
  }),
);

const whole = (at: string) => `${at}:00`.slice(0, 19);

interface Kept extends Action {
  removed: number;
  /** Whose word on that was the last. */
  decidedBy: string;
}

/** What is there after a step, as plain records: what the tables have to show. */
function after(records: Map<string, Kept>, does: string, one: Action): void {
  const found = records.get(one.id);
  if (does === 'write' && !found)
    records.set(one.id, { ...one, at: whole(one.at), removed: 0, decidedBy: one.by });
  if (does === 'takeBack')
    for (const kept of records.values())
      if (kept.decidedBy === one.by && kept.removed === 0)
        Object.assign(kept, { removed: 1, decidedBy: 'undo' });
  if (does === 'erase')
    for (const [id, { studentId, kind }] of records)
      if (studentId === one.studentId && kind === one.kind) records.delete(id);
  if (!found) return;
  const { at, kind, scopeId } = one;
  if (does === 'remove' || does === 'revive')
    Object.assign(found, { removed: does === 'remove' ? 1 : 0, decidedBy: 'other' });
  if (does === 'change') Object.assign(found, { kind, scopeId, at: whole(at) });
}

const otherWord = `"stamps" = json_set("stamps", '$.removed', json_object('by', 'other'))`;
const steps = {
  write: `INSERT OR IGNORE INTO "activity" ("id", "teacherId", "scopeId", "stamps", "studentId", "at", "kind", "place", "object", "seconds") VALUES (:id, 'i', :scopeId, json_object('*', json_object('by', :by)), :studentId, :at, :kind, :place, 'Log', :seconds)`,
  remove: `UPDATE "activity" SET "removed" = 1, ${otherWord} WHERE "id" = :id`,
  revive: `UPDATE "activity" SET "removed" = 0, ${otherWord} WHERE "id" = :id`,
  erase: 'DELETE FROM "activity" WHERE "studentId" = :studentId AND "kind" = :kind',
  change: 'UPDATE "activity" SET "at" = :at, "kind" = :kind, "scopeId" = :scopeId WHERE "id" = :id',
};

const shown = `SELECT "scopes"."text" AS "scopeId", "who"."text" AS "studentId", date("day" * 86400, 'unixepoch') AS "day", "count", "seconds", strftime('%Y-%m-%dT%H:%M:%S', "first", 'unixepoch') AS "first", strftime('%Y-%m-%dT%H:%M:%S', "last", 'unixepoch') AS "last", "hours"`;
const words = `JOIN "activityWord" AS "scopes" ON "scopes"."n" = "scope" JOIN "activityWord" AS "who" ON "who"."n" = "student"`;

test('the view shows what was written, and the roll-ups are what a recount gives, after any writing, taking back, changing and erasing', () => {
  const database = tables();
  const sql = new Sql(database);
  const does = Object.fromEntries(Object.entries(steps).map(([name, sql]) => [name, database.prepare(sql)]));
  const all = (sql: string) => database.prepare(sql).all() as Record<string, unknown>[];
  const ordered = (rows: object[]) => rows.map((row) => JSON.stringify(Object.entries(row).sort())).sort();
  fc.assert(
    fc.property(fc.array(step, { maxLength: 40 }), (taken) => {
      database.exec('DELETE FROM "activity"');
      const records = new Map<string, Kept>();
      for (const { does: what, action: one } of taken) {
        does[what]?.run(one);
        if (what === 'takeBack') takeBackActions(sql, one.by, 'i', { at: '2026', by: 'undo' });
        after(records, what, one);
      }
      for (const statement of forgetUnused) database.exec(statement);
      const there = all(
        'SELECT "id", "removed", "scopeId", "studentId", "at", "kind", "place", "seconds" FROM "activity"',
      );
      const shownOf = ({ by: _by, decidedBy: _decidedBy, ...record }: Kept) => record;
      expect(ordered(there)).toEqual(ordered([...records.values()].map(shownOf)));
      const kept = [...records.values()].filter(({ removed }) => removed === 0);
      const recount = (rows: readonly (Omit<Kept, 'kind' | 'place'> & { kind: string; place: string })[]) =>
        ['s', 't'].flatMap((scopeId) =>
          rollUp(rows.filter((row) => row.scopeId === scopeId)).map((day) => ({ scopeId, ...day })),
        );
      const days = `${shown}, "kinds"."text" AS "kind", "places"."text" AS "place" FROM "actionDay" ${words} JOIN "activityWord" AS "kinds" ON "kinds"."n" = "kind" JOIN "activityWord" AS "places" ON "places"."n" = "place"`;
      expect(ordered(all(days))).toEqual(ordered(recount(kept)));
      const inAll = recount(kept.map((row) => ({ ...row, kind: '', place: '' })));
      const totals = inAll.map(({ kind: _kind, place: _place, ...day }) => day);
      expect(ordered(all(`${shown} FROM "actionTotal" ${words}`))).toEqual(ordered(totals));
    }),
    { numRuns: 300 },
  );
  database.close();
});
