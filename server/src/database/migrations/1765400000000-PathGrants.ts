import type { MigrationInterface, QueryRunner } from 'typeorm';
import { points } from './tableSql';

/** Paths of students that are given to somebody to read; invitations by mail. */
export class PathGrants1765400000000 implements MigrationInterface {
  readonly name = 'PathGrants1765400000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "pathGrant" ("id" text PRIMARY KEY NOT NULL, "studentId" text NOT NULL, "personId" text NOT NULL, "grantedBy" text NOT NULL, "madeAt" text NOT NULL, "endedAt" text, ${points('FK_31cf4c5eb08d3df7fe7bc3e601c', 'personId', 'teacher')})`,
    );
    await runner.query('CREATE INDEX "pathGrant_by_personId" ON "pathGrant" ("personId")');
    await runner.query('CREATE INDEX "pathGrant_by_studentId" ON "pathGrant" ("studentId")');
    for (const column of ['email', 'mailedAt'])
      await runner.query(`ALTER TABLE "invitation" ADD COLUMN "${column}" text`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const column of ['email', 'mailedAt'])
      await runner.query(`ALTER TABLE "invitation" DROP COLUMN "${column}"`);
    await runner.query('DROP TABLE "pathGrant"');
  }
}
