import type { MigrationInterface, QueryRunner } from 'typeorm';

const statements = [
  `ALTER TABLE "section" ADD COLUMN "graceMinutes" integer`,
  `ALTER TABLE "section" ADD COLUMN "awayFromShare" real`,
  `ALTER TABLE "section" ADD COLUMN "latesPerAbsence" integer`,
  `ALTER TABLE "section" ADD COLUMN "creditBy" text NOT NULL DEFAULT ('standing')`,
  `ALTER TABLE "section" ADD COLUMN "halfDayMinutes" integer`,
  `ALTER TABLE "section" ADD COLUMN "taughtWithId" text`,
  `ALTER TABLE "standing" ADD COLUMN "mergedIntoId" text`,
];

const newTables = [
  `CREATE TABLE "message" ("id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL, "studentId" text NOT NULL, "noticeId" text NOT NULL, "occasion" text NOT NULL, "reason" text NOT NULL, "toWhom" text NOT NULL, "addresses" text NOT NULL, "subject" text NOT NULL, "body" text NOT NULL, "writtenAt" text NOT NULL, CONSTRAINT "FK_17443be2d5ae50d4f2eaa9f076b" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION, CONSTRAINT "FK_2d775ba0451767b7ed33a7d75e1" FOREIGN KEY ("studentId") REFERENCES "student" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE INDEX "message_by_teacherId" ON "message" ("teacherId")`,
  `CREATE INDEX "message_by_studentId" ON "message" ("studentId")`,
  `CREATE TABLE "delivery" ("messageId" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "deliveredAt" text NOT NULL, "file" text NOT NULL, CONSTRAINT "FK_cdcd0daeeb8f7bfb1786eb0eb28" FOREIGN KEY ("messageId") REFERENCES "message" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION, CONSTRAINT "FK_316a7c14a7a93616019a12f5b29" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
];

/** Rules by class, merged standings, and messages with their deliveries. */
export class AttendanceRules1764100000000 implements MigrationInterface {
  readonly name = 'AttendanceRules1764100000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of [...statements, ...newTables]) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE "delivery"');
    await runner.query('DROP TABLE "message"');
    for (const statement of statements.toReversed()) {
      const [, table, column] = /ALTER TABLE "(\w+)" ADD COLUMN "(\w+)"/.exec(statement) ?? [];
      await runner.query(`ALTER TABLE "${table}" DROP COLUMN "${column}"`);
    }
  }
}
