import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import fc from 'fast-check';
import { rollUp } from '@slate-path/core/work/rollUp';
import { activityDayTriggers, rollUpTables } from '../src/database/activityDays';

/** Actions and their roll-ups as they stand, without what they point at: only the triggers are tried. */
function tables(): Database.Database {
  const database = new Database(
    path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'slate-')), 'activity.sqlite'),
  );
  database.exec(
    `CREATE TABLE "activity" ("id" text PRIMARY KEY, "scopeId" text, "removed" boolean DEFAULT 0, "studentId" text, "at" text, "kind" text, "place" text, "seconds" real);`,
  );
  for (const table of rollUpTables) database.exec(table);
  for (const trigger of Object.values(activityDayTriggers)) database.exec(trigger);
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
});
const step = fc.oneof(
  { weight: 4, arbitrary: fc.record({ does: fc.constant('write' as const), action }) },
  fc.record({ does: fc.constantFrom('remove' as const, 'revive' as const, 'erase' as const), action }),
  fc.record({ does: fc.constant('change' as const), action }),
);

test('the roll-up is what a recount gives, after any writing, taking back, changing and erasing', () => {
  const database = tables();
  const insert = database.prepare(
    'INSERT OR IGNORE INTO "activity" ("id", "scopeId", "studentId", "at", "kind", "place", "seconds") VALUES (:id, :scopeId, :studentId, :at, :kind, :place, :seconds)',
  );
  const does = {
    write: insert,
    remove: database.prepare('UPDATE "activity" SET "removed" = 1 WHERE "id" = :id'),
    revive: database.prepare('UPDATE "activity" SET "removed" = 0 WHERE "id" = :id'),
    erase: database.prepare('DELETE FROM "activity" WHERE "studentId" = :studentId AND "kind" = :kind'),
    change: database.prepare(
      'UPDATE "activity" SET "at" = :at, "kind" = :kind, "scopeId" = :scopeId WHERE "id" = :id',
    ),
  };
  fc.assert(
    fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
      database.exec('DELETE FROM "activity"');
      for (const { does: what, action: one } of steps) does[what].run(one);
      const expected = ['s', 't'].flatMap((scopeId) =>
        rollUp(
          database
            .prepare('SELECT * FROM "activity" WHERE "scopeId" = ? AND NOT "removed" ORDER BY rowid')
            .all(scopeId) as never,
        ).map(({ first: firstAt, last: lastAt, ...day }) => ({ scopeId, ...day, firstAt, lastAt })),
      );
      const found = database.prepare('SELECT * FROM "activityDay"').all();
      const ordered = (rows: object[]) =>
        rows.map((row) => JSON.stringify(Object.entries(row).sort())).sort();
      expect(ordered(found as object[])).toEqual(ordered(expected));
      const totals = database.prepare('SELECT * FROM "activityTotal"').all() as { hours: number }[];
      const inAll = database
        .prepare(
          'SELECT "scopeId", "studentId", substr("at", 1, 10) AS "day", count(*) AS "count", total("seconds") AS "seconds", min(substr("at" || \':00\', 1, 19)) AS "firstAt", max(substr("at" || \':00\', 1, 19)) AS "lastAt", group_concat(substr("at", 12, 2)) AS "hours" FROM "activity" WHERE NOT "removed" GROUP BY 1, 2, 3',
        )
        .all() as { hours: string }[];
      const bits = (hours: string) => hours.split(',').reduce((sum, hour) => sum | (1 << Number(hour)), 0);
      expect(ordered(totals)).toEqual(ordered(inAll.map((row) => ({ ...row, hours: bits(row.hours) }))));
    }),
    { numRuns: 300 },
  );
  database.close();
});
