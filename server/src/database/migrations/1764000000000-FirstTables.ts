import type { MigrationInterface, QueryRunner } from 'typeorm';

const statements = [
  `CREATE TABLE "teacher" ("id" text PRIMARY KEY NOT NULL, "name" text NOT NULL, "passphraseHash" text NOT NULL, "createdAt" text NOT NULL)`,
  `CREATE TABLE "session" ("tokenHash" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "expiresAt" text NOT NULL, CONSTRAINT "FK_2446bdbbb244a39bbefd8285ce7" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE TABLE "change" ("seq" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "id" text NOT NULL, "teacherId" text NOT NULL, "kind" text NOT NULL, "about" text, "device" text NOT NULL, "madeAt" text NOT NULL, "receivedAt" text NOT NULL, "payload" text NOT NULL, "edits" text NOT NULL, CONSTRAINT "UQ_38168d337b66a2d98e059fe5820" UNIQUE ("id"), CONSTRAINT "FK_8f214f7131d8383417a4a84968b" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE TABLE "school" ("id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL, "name" text NOT NULL, "zone" text NOT NULL, "graceMinutes" integer NOT NULL, CONSTRAINT "FK_a6acc63120887c6318357ba882a" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE TABLE "term" ("id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL, "name" text NOT NULL, "startsOn" text NOT NULL, "endsOn" text NOT NULL, CONSTRAINT "FK_760ed66acd1365cc1cea4626812" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE TABLE "dayOff" ("id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL, "startsOn" text NOT NULL, "endsOn" text NOT NULL, "name" text NOT NULL, CONSTRAINT "FK_331edf38794fa7c08af0c9a0389" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE TABLE "section" ("id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL, "name" text NOT NULL, "subject" text NOT NULL, "room" text NOT NULL, CONSTRAINT "FK_b326c8280ab32f8840ce24a2492" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE TABLE "meeting" ("id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL, "sectionId" text NOT NULL, "weekday" integer NOT NULL, "startsAt" text NOT NULL, "endsAt" text NOT NULL, "validFrom" text, "validUntil" text, CONSTRAINT "FK_f142bff5451eb2534454501cdcc" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION, CONSTRAINT "FK_87db040faba478ecdbc6633cd47" FOREIGN KEY ("sectionId") REFERENCES "section" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE TABLE "student" ("id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL, "givenName" text NOT NULL, "familyName" text NOT NULL, "called" text NOT NULL, "email" text NOT NULL, "grade" text NOT NULL, "schoolId" text NOT NULL, CONSTRAINT "FK_f4481746c56ffa6cf77829a4bcc" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE TABLE "guardian" ("id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL, "studentId" text NOT NULL, "name" text NOT NULL, "email" text NOT NULL, "phone" text NOT NULL, "relation" text NOT NULL, CONSTRAINT "FK_83a2bc0efa5c96203c1729bee18" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION, CONSTRAINT "FK_319fcb5c6046d704e4cfd18579b" FOREIGN KEY ("studentId") REFERENCES "student" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE TABLE "enrolment" ("id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL, "sectionId" text NOT NULL, "studentId" text NOT NULL, "cohort" text NOT NULL, "startsOn" text, "endsOn" text, CONSTRAINT "FK_bc2e3749f272920c09351365f6f" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION, CONSTRAINT "FK_7a29e2f590920322e7b8b644401" FOREIGN KEY ("sectionId") REFERENCES "section" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION, CONSTRAINT "FK_9d5cba77d4c017f299f4e478e0c" FOREIGN KEY ("studentId") REFERENCES "student" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE TABLE "standing" ("id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL, "code" text NOT NULL, "name" text NOT NULL, "countsAs" text NOT NULL, "credit" real NOT NULL, "excused" boolean NOT NULL DEFAULT (0), "position" integer NOT NULL, CONSTRAINT "FK_7e9b94dd38f3869a74391e0162e" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE TABLE "lesson" ("id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL, "sectionId" text NOT NULL, "date" text NOT NULL, "startsAt" text NOT NULL, "endsAt" text NOT NULL, "label" text NOT NULL, "setAside" boolean NOT NULL DEFAULT (0), "takenAt" text, CONSTRAINT "FK_5b70ab4b9466eb06172dc279941" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION, CONSTRAINT "FK_70eb01d08acf5be68e3a17451b0" FOREIGN KEY ("sectionId") REFERENCES "section" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE TABLE "mark" ("id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL, "lessonId" text NOT NULL, "studentId" text NOT NULL, "standingId" text, "arrivedAt" text, "leftAt" text, "comment" text NOT NULL, "source" text NOT NULL, CONSTRAINT "FK_55901bc45de898046e5adb97ce1" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION, CONSTRAINT "FK_9ddcac515e3d24fd0b21a4474ff" FOREIGN KEY ("lessonId") REFERENCES "lesson" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION, CONSTRAINT "FK_65796a73ff78b0df716f4d808f2" FOREIGN KEY ("studentId") REFERENCES "student" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION, CONSTRAINT "FK_a4fe192d9c871e2bf892e971514" FOREIGN KEY ("standingId") REFERENCES "standing" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE INDEX "change_by_teacherId" ON "change" ("teacherId", "seq")`,
  `CREATE INDEX "change_by_about" ON "change" ("about")`,
  `CREATE INDEX "school_by_teacherId" ON "school" ("teacherId")`,
  `CREATE INDEX "term_by_teacherId" ON "term" ("teacherId")`,
  `CREATE INDEX "dayOff_by_teacherId" ON "dayOff" ("teacherId")`,
  `CREATE INDEX "section_by_teacherId" ON "section" ("teacherId")`,
  `CREATE INDEX "meeting_by_teacherId" ON "meeting" ("teacherId")`,
  `CREATE INDEX "meeting_by_sectionId" ON "meeting" ("sectionId")`,
  `CREATE INDEX "student_by_teacherId" ON "student" ("teacherId")`,
  `CREATE INDEX "guardian_by_teacherId" ON "guardian" ("teacherId")`,
  `CREATE INDEX "guardian_by_studentId" ON "guardian" ("studentId")`,
  `CREATE INDEX "enrolment_by_teacherId" ON "enrolment" ("teacherId")`,
  `CREATE INDEX "enrolment_by_sectionId" ON "enrolment" ("sectionId")`,
  `CREATE INDEX "enrolment_by_studentId" ON "enrolment" ("studentId")`,
  `CREATE INDEX "standing_by_teacherId" ON "standing" ("teacherId")`,
  `CREATE INDEX "lesson_by_teacherId" ON "lesson" ("teacherId")`,
  `CREATE INDEX "lesson_by_teacherId_date" ON "lesson" ("teacherId", "date")`,
  `CREATE INDEX "lesson_by_sectionId_date" ON "lesson" ("sectionId", "date")`,
  `CREATE INDEX "mark_by_teacherId" ON "mark" ("teacherId")`,
  `CREATE INDEX "mark_by_lessonId" ON "mark" ("lessonId")`,
  `CREATE INDEX "mark_by_studentId" ON "mark" ("studentId")`,
];

/** The first tables: the log of changes, teachers and their sessions, and every kind of record. */
export class FirstTables1764000000000 implements MigrationInterface {
  readonly name = 'FirstTables1764000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    const tables = statements.flatMap((sql) => /^CREATE TABLE "(\w+)"/.exec(sql)?.[1] ?? []);
    for (const table of tables.reverse()) await runner.query(`DROP TABLE "${table}"`);
  }
}
