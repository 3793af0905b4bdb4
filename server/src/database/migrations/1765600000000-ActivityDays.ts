import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Actions found by student and time instead of by student. What they add up to came with `CompactActivity`. */
export class ActivityDays1765600000000 implements MigrationInterface {
  readonly name = 'ActivityDays1765600000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP INDEX "activity_by_studentId"`);
    // The scope of an action of a class is the class.
    await runner.query(`DROP INDEX "activity_by_sectionId"`);
    await runner.query(`CREATE INDEX "activity_by_studentId_at" ON "activity" ("studentId", "at")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP INDEX "activity_by_studentId_at"`);
    await runner.query(`CREATE INDEX "activity_by_studentId" ON "activity" ("studentId")`);
    await runner.query(`CREATE INDEX "activity_by_sectionId" ON "activity" ("sectionId")`);
  }
}
