import type { MigrationInterface, QueryRunner } from 'typeorm';
import { points, record } from './tableSql';

const statements = [
  `CREATE TABLE "otherCheckIn" (${record}, "lessonId" text NOT NULL, "studentId" text NOT NULL, "at" text NOT NULL, "weather" integer, "wantsWord" boolean NOT NULL DEFAULT (0), "lunch" text NOT NULL, "comment" text NOT NULL, "device" text NOT NULL, ${points('FK_3b16e3e8d74960b11bce3b33fe4', 'teacherId', 'teacher')}, ${points('FK_ba40674b4bd7d6baf0d408a47f0', 'lessonId', 'lesson')}, ${points('FK_9ed945ac1ed52ade734b4968f71', 'studentId', 'student')})`,
  `CREATE INDEX "otherCheckIn_by_teacherId" ON "otherCheckIn" ("teacherId")`,
  `CREATE INDEX "otherCheckIn_by_lessonId" ON "otherCheckIn" ("lessonId")`,
  `CREATE INDEX "otherCheckIn_by_studentId" ON "otherCheckIn" ("studentId")`,
];

/** What other devices said for a student who had checked in already. */
export class OtherCheckIns1765100000000 implements MigrationInterface {
  readonly name = 'OtherCheckIns1765100000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE "otherCheckIn"');
  }
}
