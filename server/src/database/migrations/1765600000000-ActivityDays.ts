import type { MigrationInterface, QueryRunner } from 'typeorm';
import { activityDayTriggers, countEveryDay, rollUpTables } from '../activityDays';

/** The daily roll-ups of activity, and actions found by student and time instead of by student. */
export class ActivityDays1765600000000 implements MigrationInterface {
  readonly name = 'ActivityDays1765600000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const table of rollUpTables) await runner.query(table);
    await runner.query(`DROP INDEX "activity_by_studentId"`);
    // The scope of an action of a class is the class.
    await runner.query(`DROP INDEX "activity_by_sectionId"`);
    await runner.query(`CREATE INDEX "activity_by_studentId_at" ON "activity" ("studentId", "at")`);
    for (const count of countEveryDay) await runner.query(count);
    for (const trigger of Object.values(activityDayTriggers)) await runner.query(trigger);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const name of Object.keys(activityDayTriggers)) await runner.query(`DROP TRIGGER "${name}"`);
    await runner.query(`DROP INDEX "activity_by_studentId_at"`);
    await runner.query(`CREATE INDEX "activity_by_studentId" ON "activity" ("studentId")`);
    await runner.query(`CREATE INDEX "activity_by_sectionId" ON "activity" ("sectionId")`);
    for (const table of ['activityDay', 'activityTotal']) await runner.query(`DROP TABLE "${table}"`);
  }
}
