import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Record stores from which a class’s activity is fetched. */
export class Feeds1765700000000 implements MigrationInterface {
  readonly name = 'Feeds1765700000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "feed" ("id" text PRIMARY KEY NOT NULL, "sectionId" text NOT NULL, "teacherId" text NOT NULL, "name" text NOT NULL, "address" text NOT NULL, "userName" text NOT NULL, "secret" text NOT NULL, "course" text NOT NULL, "state" text NOT NULL)`,
    );
    await runner.query('CREATE INDEX "feed_by_sectionId" ON "feed" ("sectionId")');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE "feed"');
  }
}
