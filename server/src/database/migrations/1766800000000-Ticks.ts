import type { MigrationInterface, QueryRunner } from 'typeorm';
import { points, record } from './tableSql';

const scope = `"scopeId" text NOT NULL DEFAULT ('')`;

const columns = [
  ...[scope, `"sectionId" text NOT NULL`, `"name" text NOT NULL`, `"kind" text NOT NULL`],
  ...[`"number" integer NOT NULL`, `"dueOn" text`, `"legend" text NOT NULL`, `"most" real`],
  ...[`"unit" text NOT NULL`, `"choices" text NOT NULL`, `"shown" boolean NOT NULL DEFAULT (0)`],
  points('FK_4ffff425557e905dc9f62f40685', 'teacherId', 'teacher'),
  points('FK_6ef0ad44a8d281011cf7a4bbf6d', 'sectionId', 'section'),
];

const cells = [
  ...[scope, `"columnId" text NOT NULL`, `"studentId" text NOT NULL`, `"value" text`, `"on" text`],
  ...[`"owes" real`, `"exempt" boolean NOT NULL DEFAULT (0)`],
  points('FK_dc61c90209496588b8a4a80b2a4', 'teacherId', 'teacher'),
  points('FK_a8b18d72767f82e19483de668c0', 'columnId', 'tickColumn'),
  points('FK_6eca5dc76b92b214c49681c6fb9', 'studentId', 'student'),
];

const statements = [
  `CREATE TABLE "tickColumn" (${record}, ${columns.join(', ')})`,
  `CREATE INDEX "tickColumn_by_scopeId" ON "tickColumn" ("scopeId")`,
  `CREATE INDEX "tickColumn_by_sectionId" ON "tickColumn" ("sectionId")`,
  `CREATE TABLE "tick" (${record}, ${cells.join(', ')})`,
  `CREATE INDEX "tick_by_scopeId" ON "tick" ("scopeId")`,
  `CREATE INDEX "tick_by_columnId" ON "tick" ("columnId")`,
  `CREATE INDEX "tick_by_studentId" ON "tick" ("studentId")`,
];

/** Tick-sheets: columns of a class, and what stands in them of each student. */
export class Ticks1766800000000 implements MigrationInterface {
  readonly name = 'Ticks1766800000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['tick', 'tickColumn']) await runner.query(`DROP TABLE "${table}"`);
  }
}
