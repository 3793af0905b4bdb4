import type { MigrationInterface, QueryRunner } from 'typeorm';
import { points, record } from './tableSql';

const statements = [
  `CREATE TABLE "sweep" (${record}, "lessonId" text NOT NULL, "studentId" text NOT NULL, "level" integer, ${points('FK_916d85746d07f2171fe0356b294', 'teacherId', 'teacher')}, ${points('FK_676b4f374ec3f369626cf4cd5d0', 'lessonId', 'lesson')}, ${points('FK_fdf03a5304c38aae6106dd4472e', 'studentId', 'student')})`,
  `CREATE INDEX "sweep_by_teacherId" ON "sweep" ("teacherId")`,
  `CREATE INDEX "sweep_by_lessonId" ON "sweep" ("lessonId")`,
  `CREATE INDEX "sweep_by_studentId" ON "sweep" ("studentId")`,
  `CREATE TABLE "levelNames" (${record}, "names" text NOT NULL, ${points('FK_9bc49bb09565bb2ba63e96b1e5c', 'teacherId', 'teacher')})`,
  `CREATE INDEX "levelNames_by_teacherId" ON "levelNames" ("teacherId")`,
];

/** How engaged students were, lesson by lesson, and what the teacher calls the levels. */
export class Sweeps1764600000000 implements MigrationInterface {
  readonly name = 'Sweeps1764600000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['levelNames', 'sweep']) await runner.query(`DROP TABLE "${table}"`);
  }
}
