import type { MigrationInterface, QueryRunner } from 'typeorm';

const statements = [
  `ALTER TABLE "section" ADD COLUMN "wholeDayMinutes" integer`,
  `CREATE TABLE "task" ("id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL, "sectionId" text NOT NULL, "studentId" text NOT NULL, "title" text NOT NULL, "doneOn" text, "minutes" integer, CONSTRAINT "FK_ec3e719986ae4ddbf975213fef4" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION, CONSTRAINT "FK_a5cef86fa95ccc1af789c26c614" FOREIGN KEY ("sectionId") REFERENCES "section" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION, CONSTRAINT "FK_330dd8fc7bd42a43c74035cf405" FOREIGN KEY ("studentId") REFERENCES "student" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE INDEX "task_by_teacherId" ON "task" ("teacherId")`,
  `CREATE INDEX "task_by_sectionId" ON "task" ("sectionId")`,
  `CREATE INDEX "task_by_studentId" ON "task" ("studentId")`,
];

/** Tasks with the days they were done on, and from when a day of them is a whole one. */
export class FinishedWork1764400000000 implements MigrationInterface {
  readonly name = 'FinishedWork1764400000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE "task"');
    await runner.query('ALTER TABLE "section" DROP COLUMN "wholeDayMinutes"');
  }
}
