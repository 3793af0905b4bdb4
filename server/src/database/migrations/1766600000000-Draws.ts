import type { MigrationInterface, QueryRunner } from 'typeorm';
import { points, record } from './tableSql';

const columns = [
  ...[`"scopeId" text NOT NULL DEFAULT ('')`, `"sectionId" text`, `"groupName" text NOT NULL`],
  ...[`"at" text NOT NULL`, `"startsOn" text NOT NULL`, `"endsOn" text NOT NULL`],
  ...[`"chances" text NOT NULL`, `"rest" text NOT NULL`, `"restWeeks" integer`],
  ...[`"wanted" integer NOT NULL`, `"seed" integer NOT NULL`],
  ...[`"tickets" integer NOT NULL`, `"restingTickets" integer NOT NULL`],
  ...[`"entries" text NOT NULL`, `"winners" text NOT NULL`],
  points('FK_e96dc1a5d0a9307fc8c945bc570', 'teacherId', 'teacher'),
  points('FK_588972170deca47f4d1b5d57d0c', 'sectionId', 'section'),
];

const statements = [
  `CREATE TABLE "draw" (${record}, ${columns.join(', ')})`,
  `CREATE INDEX "draw_by_scopeId" ON "draw" ("scopeId")`,
  `CREATE INDEX "draw_by_sectionId" ON "draw" ("sectionId")`,
];

/** Lots drawn among those with nods. */
export class Draws1766600000000 implements MigrationInterface {
  readonly name = 'Draws1766600000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "draw"`);
  }
}
