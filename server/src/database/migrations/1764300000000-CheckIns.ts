import type { MigrationInterface, QueryRunner } from 'typeorm';

const owner = (name: string) =>
  `CONSTRAINT "${name}" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION`;
const points = (name: string, column: string, table: string) =>
  `CONSTRAINT "${name}" FOREIGN KEY ("${column}") REFERENCES "${table}" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION`;
const record = `"id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL`;

const statements = [
  `CREATE TABLE "checkInLink" ("tokenHash" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "sectionId" text NOT NULL, "createdAt" text NOT NULL, "expiresAt" text NOT NULL, ${owner('FK_0417160e6ec436d168ddfd453e8')}, ${points('FK_38a28a0629c86ca1bf315049575', 'sectionId', 'section')})`,
  `CREATE TABLE "checkInSetting" (${record}, "sectionId" text NOT NULL, "opensMinutesBefore" integer NOT NULL, "closesMinutesAfter" integer NOT NULL, "lunchChoices" text NOT NULL, "shortNames" boolean NOT NULL DEFAULT (0), ${owner('FK_13de5111828a53900f8d47f0bd3')}, ${points('FK_651cc2920e577194abb333f33fb', 'sectionId', 'section')})`,
  `CREATE INDEX "checkInSetting_by_teacherId" ON "checkInSetting" ("teacherId")`,
  `CREATE INDEX "checkInSetting_by_sectionId" ON "checkInSetting" ("sectionId")`,
  `CREATE TABLE "checkIn" (${record}, "lessonId" text NOT NULL, "studentId" text NOT NULL, "at" text NOT NULL, "weather" integer, "wantsWord" boolean NOT NULL DEFAULT (0), "lunch" text NOT NULL, "comment" text NOT NULL, "device" text NOT NULL, "sameDevice" boolean NOT NULL DEFAULT (0), ${owner('FK_f5d96635c246d53a6f7ab8db059')}, ${points('FK_57f88a51408078ca1789639703b', 'lessonId', 'lesson')}, ${points('FK_65f831b16e7b413cd3e1189c02a', 'studentId', 'student')})`,
  `CREATE INDEX "checkIn_by_teacherId" ON "checkIn" ("teacherId")`,
  `CREATE INDEX "checkIn_by_lessonId" ON "checkIn" ("lessonId")`,
  `CREATE INDEX "checkIn_by_studentId" ON "checkIn" ("studentId")`,
];

/** Students check themselves in: by links, as set for a class, with what they say. */
export class CheckIns1764300000000 implements MigrationInterface {
  readonly name = 'CheckIns1764300000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['checkIn', 'checkInSetting', 'checkInLink'])
      await runner.query(`DROP TABLE "${table}"`);
  }
}
