import type { MigrationInterface, QueryRunner } from 'typeorm';
import { points, record } from './tableSql';

const statements = [
  `CREATE TABLE "phrase" (${record}, "scopeId" text NOT NULL DEFAULT (''), "text" text NOT NULL, "shared" boolean NOT NULL DEFAULT (0), "personId" text NOT NULL, ${points('FK_370035a7eab2fd2537f6faccf69', 'teacherId', 'teacher')})`,
  `CREATE INDEX "phrase_by_scopeId" ON "phrase" ("scopeId")`,
  `CREATE TABLE "phraseUse" (${record}, "scopeId" text NOT NULL DEFAULT (''), "phraseId" text NOT NULL, "favourite" boolean NOT NULL DEFAULT (0), "usedAt" text, ${points('FK_80494a0e4a9c7f7304fa3a3196a', 'teacherId', 'teacher')}, ${points('FK_45e25f7974e7683468a559e0cb8', 'phraseId', 'phrase')})`,
  `CREATE INDEX "phraseUse_by_scopeId" ON "phraseUse" ("scopeId")`,
  `CREATE INDEX "phraseUse_by_phraseId" ON "phraseUse" ("phraseId")`,
];

/** Sentences kept for reuse, and what each is to a person. */
export class Phrases1766300000000 implements MigrationInterface {
  readonly name = 'Phrases1766300000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['phraseUse', 'phrase']) await runner.query(`DROP TABLE "${table}"`);
  }
}
