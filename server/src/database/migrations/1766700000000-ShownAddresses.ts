import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Letters in which each address sees the others. */
export class ShownAddresses1766700000000 implements MigrationInterface {
  readonly name = 'ShownAddresses1766700000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "message" ADD COLUMN "showsAddresses" boolean NOT NULL DEFAULT (0)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "message" DROP COLUMN "showsAddresses"`);
  }
}
