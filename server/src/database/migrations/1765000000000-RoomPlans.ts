import type { MigrationInterface, QueryRunner } from 'typeorm';
import { points, record } from './tableSql';

const statements = [
  `CREATE TABLE "roomPlan" (${record}, "sectionId" text NOT NULL, "name" text NOT NULL, "seats" text NOT NULL, "places" text NOT NULL, ${points('FK_9219952134ca9d668b823de73bc', 'teacherId', 'teacher')}, ${points('FK_41ac30201d3e01b21af6a19cd13', 'sectionId', 'section')})`,
  `CREATE INDEX "roomPlan_by_teacherId" ON "roomPlan" ("teacherId")`,
  `CREATE INDEX "roomPlan_by_sectionId" ON "roomPlan" ("sectionId")`,
  `CREATE TABLE "seating" (${record}, "sectionId" text NOT NULL, "roomPlanId" text NOT NULL, "startsOn" text NOT NULL, "places" text NOT NULL, ${points('FK_577300e098b57e5a7822c9caeb6', 'teacherId', 'teacher')}, ${points('FK_0fdc7ae3e60ed1313f9c9c713cd', 'sectionId', 'section')}, ${points('FK_1823ed270d7900a4c92b34dbec0', 'roomPlanId', 'roomPlan')})`,
  `CREATE INDEX "seating_by_teacherId" ON "seating" ("teacherId")`,
  `CREATE INDEX "seating_by_sectionId" ON "seating" ("sectionId")`,
];

/** Who sits where, and since when. */
export class RoomPlans1765000000000 implements MigrationInterface {
  readonly name = 'RoomPlans1765000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['seating', 'roomPlan']) await runner.query(`DROP TABLE "${table}"`);
  }
}
