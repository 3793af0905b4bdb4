import type { MigrationInterface, QueryRunner } from 'typeorm';
import { points } from './tableSql';

const tables = [
  `CREATE TABLE "member" ("personId" text PRIMARY KEY NOT NULL, "schoolId" text NOT NULL, "role" text NOT NULL, "isKeeper" boolean NOT NULL DEFAULT (0), "since" text NOT NULL, "until" text, "accessOn" text NOT NULL, ${points('FK_32b5c701c2e416b6d60f2943850', 'personId', 'teacher')})`,
  `CREATE INDEX "member_by_schoolId" ON "member" ("schoolId")`,
  `CREATE TABLE "scope" ("id" text PRIMARY KEY NOT NULL, "kind" text NOT NULL, "schoolId" text NOT NULL)`,
  `CREATE INDEX "scope_by_schoolId" ON "scope" ("schoolId", "kind")`,
  `CREATE TABLE "teaching" ("id" text PRIMARY KEY NOT NULL, "sectionId" text NOT NULL, "personId" text NOT NULL, "role" text NOT NULL, "startsOn" text, "endsOn" text, "madeAt" text NOT NULL, "endedAt" text, ${points('FK_fec5280121352bf421ec9c57e36', 'personId', 'teacher')}, ${points('FK_67ba0db38d40b7ca94316d5cd73', 'sectionId', 'section')})`,
  `CREATE INDEX "teaching_by_personId" ON "teaching" ("personId")`,
  `CREATE INDEX "teaching_by_sectionId" ON "teaching" ("sectionId")`,
  `CREATE TABLE "access" ("personId" text NOT NULL, "scopeId" text NOT NULL, "role" text NOT NULL, PRIMARY KEY ("personId", "scopeId"))`,
  `CREATE INDEX "access_by_scopeId" ON "access" ("scopeId")`,
  `CREATE TABLE "touch" ("scopeId" text NOT NULL, "seq" integer NOT NULL, PRIMARY KEY ("scopeId", "seq")) WITHOUT ROWID`,
  `CREATE TABLE "news" ("personId" text NOT NULL, "kind" text NOT NULL, "changeId" text NOT NULL, PRIMARY KEY ("personId", "kind"))`,
  `CREATE TABLE "invitation" ("id" text PRIMARY KEY NOT NULL, "tokenHash" text NOT NULL, "schoolId" text NOT NULL, "role" text NOT NULL, "name" text NOT NULL, "sectionId" text, "invitedBy" text NOT NULL, "madeAt" text NOT NULL, "expiresAt" text NOT NULL, "endedAt" text, "usedBy" text, CONSTRAINT "UQ_676ef6471ce7176869d73365a45" UNIQUE ("tokenHash"))`,
  `CREATE INDEX "invitation_by_schoolId" ON "invitation" ("schoolId")`,
];

const school = `(SELECT "schoolId" FROM "member" WHERE "personId" = "teacherId")`;
const itself = `"id"`;
const person = `"teacherId"`;
/** Where what it hangs on belongs. */
const of = (field: string, table: string) =>
  `(SELECT "scopeId" FROM "${table}" AS above WHERE above."id" = "${field}")`;
const orElse = (first: string, second: string) => `coalesce(${first}, ${second})`;
const ofSection = of('sectionId', 'section');
const ofLesson = of('lessonId', 'lesson');

/** Parents before children. */
const belongings: Record<string, string> = {
  school,
  term: school,
  dayOff: school,
  standing: school,
  section: itself,
  student: itself,
  meeting: ofSection,
  guardian: of('studentId', 'student'),
  enrolment: ofSection,
  lesson: ofSection,
  mark: ofLesson,
  message: person,
  participantAnswer: ofSection,
  checkInSetting: ofSection,
  checkIn: ofLesson,
  otherCheckIn: ofLesson,
  task: ofSection,
  lookFor: orElse(ofSection, school),
  focus: orElse(ofSection, school),
  tallying: ofLesson,
  circle: ofSection,
  circleMember: of('circleId', 'circle'),
  tally: ofLesson,
  countComment: ofSection,
  studentGroup: ofSection,
  turn: ofLesson,
  roomPlan: ofSection,
  seating: ofSection,
  sweep: ofLesson,
  levelNames: person,
  topic: person,
  passedWord: person,
  note: `CASE WHEN "own" THEN "teacherId" ELSE ${orElse(ofLesson, orElse(ofSection, person))} END`,
  noteStudent: of('noteId', 'note'),
  noteTopic: of('noteId', 'note'),
  followUp: of('noteId', 'note'),
  step: orElse(ofSection, person),
  quiet: ofSection,
  watchSetting: ofSection,
  pathSummary: person,
  work: ofSection,
  handIn: of('workId', 'work'),
  activity: orElse(ofSection, person),
  nod: person,
};

const now = `strftime('%Y-%m-%dT%H:%M:%fZ', 'now')`;

/** Every teacher of today has a school of their own and keeps it; what they are where is worked out at the start. */
const members = `INSERT INTO "member" SELECT "id", coalesce((SELECT min("id") FROM "school" WHERE "teacherId" = "teacher"."id"), "id"), 'teacher', 1, "createdAt", NULL, '' FROM "teacher"`;
const scopes = [
  `INSERT INTO "scope" SELECT "schoolId", 'school', "schoolId" FROM "member"`,
  `INSERT INTO "scope" SELECT "id", 'section', ${school} FROM "section"`,
  `INSERT INTO "scope" SELECT "id", 'student', ${school} FROM "student"`,
  `INSERT INTO "teaching" SELECT "id", "id", "teacherId", 'teacher', NULL, NULL, ${now}, NULL FROM "section"`,
];

/** What was looked up by whose it is, is by where it belongs. */
const moreIndices: Record<string, string> = { lesson: 'date', note: 'at', followUp: 'dueOn' };

/** Schools with members; classes with their teachers; every record belongs somewhere. */
export class Scopes1765300000000 implements MigrationInterface {
  readonly name = 'Scopes1765300000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of [...tables, members, ...scopes]) await runner.query(statement);
    for (const [table, belonging] of Object.entries(belongings)) {
      await runner.query(`ALTER TABLE "${table}" ADD COLUMN "scopeId" text NOT NULL DEFAULT ''`);
      await runner.query(`UPDATE "${table}" SET "scopeId" = ${belonging}`);
      await runner.query(`DROP INDEX "${table}_by_teacherId"`);
      await runner.query(`CREATE INDEX "${table}_by_scopeId" ON "${table}" ("scopeId")`);
    }
    for (const [table, column] of Object.entries(moreIndices)) {
      await runner.query(`DROP INDEX "${table}_by_teacherId_${column}"`);
      await runner.query(
        `CREATE INDEX "${table}_by_scopeId_${column}" ON "${table}" ("scopeId", "${column}")`,
      );
    }
    await runner.query(`CREATE INDEX "note_by_at" ON "note" ("at")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX "note_by_at"');
    for (const [table, column] of Object.entries(moreIndices)) {
      await runner.query(`DROP INDEX "${table}_by_scopeId_${column}"`);
      await runner.query(
        `CREATE INDEX "${table}_by_teacherId_${column}" ON "${table}" ("teacherId", "${column}")`,
      );
    }
    for (const table of Object.keys(belongings)) {
      await runner.query(`DROP INDEX "${table}_by_scopeId"`);
      await runner.query(`CREATE INDEX "${table}_by_teacherId" ON "${table}" ("teacherId")`);
      await runner.query(`ALTER TABLE "${table}" DROP COLUMN "scopeId"`);
    }
    for (const table of ['invitation', 'touch', 'news', 'access', 'teaching', 'scope', 'member'])
      await runner.query(`DROP TABLE "${table}"`);
  }
}
