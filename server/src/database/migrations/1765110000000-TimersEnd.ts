import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A timed tally that ended by itself is told from one that somebody stopped. */
export class TimersEnd1765110000000 implements MigrationInterface {
  readonly name = 'TimersEnd1765110000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "tally" ADD COLUMN "unsure" boolean NOT NULL DEFAULT (0)');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "tally" DROP COLUMN "unsure"');
  }
}
