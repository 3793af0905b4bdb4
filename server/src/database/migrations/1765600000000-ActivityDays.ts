import type { MigrationInterface, QueryRunner } from 'typeorm';
import { activityDayTriggers, countEveryDay } from '../activityDays';

/** The daily roll-up of activity, and actions found by student and time instead of by student. */
export class ActivityDays1765600000000 implements MigrationInterface {
  readonly name = 'ActivityDays1765600000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "activityDay" ("scopeId" text NOT NULL, "studentId" text NOT NULL, "day" text NOT NULL, "kind" text NOT NULL, "place" text NOT NULL, "count" integer NOT NULL, "seconds" real NOT NULL, "firstAt" text NOT NULL, "lastAt" text NOT NULL, "hours" integer NOT NULL, PRIMARY KEY ("scopeId", "studentId", "day", "kind", "place")) WITHOUT ROWID`,
    );
    await runner.query(`DROP INDEX "activity_by_studentId"`);
    // The scope of an action of a class is the class.
    await runner.query(`DROP INDEX "activity_by_sectionId"`);
    await runner.query(`CREATE INDEX "activity_by_studentId_at" ON "activity" ("studentId", "at")`);
    await runner.query(countEveryDay);
    for (const trigger of Object.values(activityDayTriggers)) await runner.query(trigger);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const name of Object.keys(activityDayTriggers)) await runner.query(`DROP TRIGGER "${name}"`);
    await runner.query(`DROP INDEX "activity_by_studentId_at"`);
    await runner.query(`CREATE INDEX "activity_by_studentId" ON "activity" ("studentId")`);
    await runner.query(`CREATE INDEX "activity_by_sectionId" ON "activity" ("sectionId")`);
    await runner.query(`DROP TABLE "activityDay"`);
  }
}
