import type { MigrationInterface, QueryRunner } from 'typeorm';
import { points, record } from './tableSql';

const scope = `"scopeId" text NOT NULL DEFAULT ('')`;

const games = [
  ...[scope, `"lessonId" text NOT NULL`, `"name" text NOT NULL`, `"sides" text NOT NULL`],
  ...[`"formedBy" text NOT NULL`, `"seed" integer`, `"startedAt" text NOT NULL`, `"endedAt" text`],
  ...[`"round" integer NOT NULL`, `"clock" text NOT NULL DEFAULT ('null')`],
  points('FK_6f82c47359dafa1508d7034fa03', 'teacherId', 'teacher'),
  points('FK_0eeb1bf537054b33fadccb9a165', 'lessonId', 'lesson'),
];

const given = [
  ...[scope, `"gameId" text NOT NULL`, `"side" integer NOT NULL`, `"studentId" text`],
  ...[`"amount" integer NOT NULL`, `"round" integer NOT NULL`, `"at" text NOT NULL`],
  `"corrections" text NOT NULL DEFAULT ('[]')`,
  points('FK_f56a5ebeb2def20dea2cd426aa6', 'teacherId', 'teacher'),
  points('FK_31eb68b3b77c346bd4525deac79', 'gameId', 'game'),
  points('FK_d88a8ebdde9cac45bfcc9506557', 'studentId', 'student'),
];

const tones = [
  ...[scope, `"lessonId" text NOT NULL`, `"at" text NOT NULL`, `"level" integer NOT NULL`],
  points('FK_317edf99a6802ec26ce0eedc5a3', 'teacherId', 'teacher'),
  points('FK_889a71b2028005ba910bab62238', 'lessonId', 'lesson'),
];

const statements = [
  `CREATE TABLE "game" (${record}, ${games.join(', ')})`,
  `CREATE INDEX "game_by_scopeId" ON "game" ("scopeId")`,
  `CREATE INDEX "game_by_lessonId" ON "game" ("lessonId")`,
  `CREATE TABLE "gamePoint" (${record}, ${given.join(', ')})`,
  `CREATE INDEX "gamePoint_by_scopeId" ON "gamePoint" ("scopeId")`,
  `CREATE INDEX "gamePoint_by_gameId" ON "gamePoint" ("gameId")`,
  `CREATE INDEX "gamePoint_by_studentId" ON "gamePoint" ("studentId")`,
  `CREATE TABLE "roomTone" (${record}, ${tones.join(', ')})`,
  `CREATE INDEX "roomTone_by_scopeId" ON "roomTone" ("scopeId")`,
  `CREATE INDEX "roomTone_by_lessonId" ON "roomTone" ("lessonId")`,
];

/** Games of sides with their points, and the tone of the room. */
export class Sides1767000000000 implements MigrationInterface {
  readonly name = 'Sides1767000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['roomTone', 'gamePoint', 'game']) await runner.query(`DROP TABLE "${table}"`);
  }
}
