import type { MigrationInterface, QueryRunner } from 'typeorm';
import { points } from './tableSql';

/** What is left to do of an erasure, so that the next start finishes one that was broken off. */
export class Erasing1765210000000 implements MigrationInterface {
  readonly name = 'Erasing1765210000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "erasing" ("studentId" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "state" text NOT NULL, ${points('FK_434eb802315dd720d281763a0fd', 'teacherId', 'teacher')})`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE "erasing"');
  }
}
