import type { MigrationInterface, QueryRunner } from 'typeorm';
import { countEveryDay, holdTable, rollUps, rollUpTables, rollUpTriggers } from '../activity/rollUps';
import { actionTables, activityTriggers, activityView, numberOf } from '../activity/tables';
import { points, record } from './tableSql';

/** Of databases in which an earlier `ActivityDays` counted in words. */
const before = ['activity_counted', 'activity_counted_anew', 'activity_uncounted'];

const words = ['scopeId', 'studentId', 'kind', 'place'].map(
  (name) => `SELECT "${name}" AS "text" FROM "activityBefore"`,
);
const inBatch = (name: string) => `"b"."${name}" = "activityBefore"."${name}"`;
const batch = `(SELECT "n" FROM "activityBatch" AS "b" WHERE ${['stamps', 'teacherId', 'scopeId'].map(inBatch).join(' AND ')} AND "b"."sectionId" IS "activityBefore"."sectionId")`;
const of = (name: string) => numberOf(`"activityBefore"."${name}"`);

/** The table of actions as it was. */
const table = `CREATE TABLE "activityBefore" (${record}, "sectionId" text, "studentId" text NOT NULL, "at" text NOT NULL, "kind" text NOT NULL, "place" text NOT NULL, "object" text NOT NULL, "seconds" real, "scopeId" text NOT NULL DEFAULT (''), ${points('FK_8004b8902d34be1ae4cf73a2cf4', 'teacherId', 'teacher')}, ${points('FK_fb235a48af600b8e4e835fc5924', 'sectionId', 'section')}, ${points('FK_c3ce1fd25ff7784c8bb47ff21c1', 'studentId', 'student')})`;

/** Actions are kept in few bytes, with what they add up to day by day; `activity` is a view of them. */
export class CompactActivity1765900000000 implements MigrationInterface {
  readonly name = 'CompactActivity1765900000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const name of before) await runner.query(`DROP TRIGGER IF EXISTS "${name}"`);
    for (const name of ['activityDay', 'activityTotal']) await runner.query(`DROP TABLE IF EXISTS "${name}"`);
    await runner.query('ALTER TABLE "activity" RENAME TO "activityBefore"');
    for (const statement of [...actionTables, ...rollUpTables, holdTable]) await runner.query(statement);
    await runner.query(`INSERT INTO "activityWord" ("text") ${words.join(' UNION ')}`);
    await runner.query(
      `INSERT INTO "activityBatch" ("teacherId", "scopeId", "sectionId", "stamps") SELECT DISTINCT "teacherId", "scopeId", "sectionId", "stamps" FROM "activityBefore"`,
    );
    await runner.query(
      `INSERT INTO "action" ("id", "batch", "removed", "scope", "student", "at", "kind", "place", "object", "seconds") SELECT "id", ${batch}, "removed", ${of('scopeId')}, ${of('studentId')}, unixepoch("at"), ${of('kind')}, ${of('place')}, "object", "seconds" FROM "activityBefore" ORDER BY rowid`,
    );
    await runner.query('DROP TABLE "activityBefore"');
    for (const statement of countEveryDay) await runner.query(statement);
    for (const statement of [activityView, ...rollUpTriggers, ...activityTriggers])
      await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(table);
    const columns = `"id", "teacherId", "removed", "stamps", "sectionId", "studentId", "at", "kind", "place", "object", "seconds", "scopeId"`;
    await runner.query(`INSERT INTO "activityBefore" (${columns}) SELECT ${columns} FROM "activity"`);
    await runner.query('DROP VIEW "activity"');
    for (const name of [...rollUps, 'activityHold', 'action', 'activityBatch', 'activityWord'])
      await runner.query(`DROP TABLE "${name}"`);
    await runner.query('ALTER TABLE "activityBefore" RENAME TO "activity"');
    await runner.query(`CREATE INDEX "activity_by_scopeId" ON "activity" ("scopeId")`);
    await runner.query(`CREATE INDEX "activity_by_studentId_at" ON "activity" ("studentId", "at")`);
  }
}
