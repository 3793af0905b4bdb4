import type { MigrationInterface, QueryRunner } from 'typeorm';
import { points, record } from './tableSql';

const statements = [
  `ALTER TABLE "nod" ADD COLUMN "sectionId" text`,
  `CREATE INDEX "nod_by_sectionId_at" ON "nod" ("sectionId", "at")`,
  `ALTER TABLE "message" ADD COLUMN "notBefore" text`,
  `CREATE TABLE "nodReason" (${record}, "scopeId" text NOT NULL DEFAULT (''), "name" text NOT NULL, "position" integer NOT NULL, ${points('FK_a1490c4486179b6a81a974507ed', 'teacherId', 'teacher')})`,
  `CREATE INDEX "nodReason_by_scopeId" ON "nodReason" ("scopeId")`,
  `CREATE TABLE "nodTelling" (${record}, "scopeId" text NOT NULL DEFAULT (''), "sectionId" text NOT NULL, "toStudents" boolean NOT NULL DEFAULT (0), "toGuardians" boolean NOT NULL DEFAULT (0), "quietFrom" text, "quietUntil" text, ${points('FK_9148c88c8015c55331f45a08d83', 'teacherId', 'teacher')}, ${points('FK_be55a298ce592789b380c5b5620', 'sectionId', 'section')})`,
  `CREATE INDEX "nodTelling_by_scopeId" ON "nodTelling" ("scopeId")`,
  `CREATE INDEX "nodTelling_by_sectionId" ON "nodTelling" ("sectionId")`,
];

/** What nods are given for, the class they are given in, and to whom they are told. */
export class Nods1766400000000 implements MigrationInterface {
  readonly name = 'Nods1766400000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['nodTelling', 'nodReason']) await runner.query(`DROP TABLE "${table}"`);
    await runner.query('DROP INDEX "nod_by_sectionId_at"');
    await runner.query('ALTER TABLE "nod" DROP COLUMN "sectionId"');
    await runner.query('ALTER TABLE "message" DROP COLUMN "notBefore"');
  }
}
