import type { MigrationInterface, QueryRunner } from 'typeorm';
import { points, record } from './tableSql';

const wishes = [
  ...[`"scopeId" text NOT NULL DEFAULT ('')`, `"sectionId" text NOT NULL`, `"kind" text NOT NULL`],
  ...[`"studentIds" text NOT NULL`, `"seats" text NOT NULL`],
  points('FK_1d04aaeeb1e2bc4eeca99d40ac7', 'teacherId', 'teacher'),
  points('FK_2834c9a9f645108adc6d4af32ab', 'sectionId', 'section'),
];

const statements = [
  `ALTER TABLE "roomPlan" ADD COLUMN "furniture" text NOT NULL DEFAULT ('[]')`,
  `ALTER TABLE "roomPlan" ADD COLUMN "roomId" text`,
  `CREATE TABLE "seatWish" (${record}, ${wishes.join(', ')})`,
  `CREATE INDEX "seatWish_by_scopeId" ON "seatWish" ("scopeId")`,
  `CREATE INDEX "seatWish_by_sectionId" ON "seatWish" ("sectionId")`,
];

/** What else stands in a room, plans of one room, and what is wished of where students sit. */
export class Rooms1766900000000 implements MigrationInterface {
  readonly name = 'Rooms1766900000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "seatWish"`);
    for (const column of ['furniture', 'roomId'])
      await runner.query(`ALTER TABLE "roomPlan" DROP COLUMN "${column}"`);
  }
}
