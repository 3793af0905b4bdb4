import type { MigrationInterface, QueryRunner } from 'typeorm';
import { points, record } from './tableSql';

const statements = [
  `CREATE TABLE "step" (${record}, "studentId" text NOT NULL, "sectionId" text, "concern" text, "at" text NOT NULL, "kind" text NOT NULL, "text" text NOT NULL, "lookAgainOn" text, ${points('FK_e44ce5ccc4f226fca50d432a5f4', 'teacherId', 'teacher')}, ${points('FK_60d55f94b1b97ded062586788fa', 'studentId', 'student')}, ${points('FK_bc19b77e15a6a636cfb10b53609', 'sectionId', 'section')})`,
  `CREATE INDEX "step_by_teacherId" ON "step" ("teacherId")`,
  `CREATE INDEX "step_by_studentId" ON "step" ("studentId")`,
  `CREATE TABLE "quiet" (${record}, "studentId" text NOT NULL, "sectionId" text NOT NULL, "concern" text NOT NULL, "at" text NOT NULL, "until" text, "because" text NOT NULL, "strength" real NOT NULL, ${points('FK_13b14f6656292bab3a2c45f7b57', 'teacherId', 'teacher')}, ${points('FK_3788cacc11701fe12103ca34e86', 'studentId', 'student')}, ${points('FK_4f8418adeb42cc0ca248203a9ee', 'sectionId', 'section')})`,
  `CREATE INDEX "quiet_by_teacherId" ON "quiet" ("teacherId")`,
  `CREATE INDEX "quiet_by_studentId" ON "quiet" ("studentId")`,
  `CREATE TABLE "watchSetting" (${record}, "sectionId" text NOT NULL, "streams" text NOT NULL, "shares" text NOT NULL, "fewestTaken" integer NOT NULL, "inARow" integer NOT NULL, "missingOfFive" integer NOT NULL, ${points('FK_0eac628ea89ab61da428c176fb4', 'teacherId', 'teacher')}, ${points('FK_cd23375fba20212fcf5c3e5b03a', 'sectionId', 'section')})`,
  `CREATE INDEX "watchSetting_by_teacherId" ON "watchSetting" ("teacherId")`,
  `CREATE INDEX "watchSetting_by_sectionId" ON "watchSetting" ("sectionId")`,
  `CREATE TABLE "pathSummary" (${record}, "studentId" text NOT NULL, "at" text NOT NULL, "text" text NOT NULL, ${points('FK_3c54d1860a73f57a3c6c6d91b85', 'teacherId', 'teacher')}, ${points('FK_28d9d17afd4e910eaf23676e8a6', 'studentId', 'student')})`,
  `CREATE INDEX "pathSummary_by_teacherId" ON "pathSummary" ("teacherId")`,
  `CREATE INDEX "pathSummary_by_studentId" ON "pathSummary" ("studentId")`,
  `CREATE TABLE "work" (${record}, "sectionId" text NOT NULL, "title" text NOT NULL, "assignedAt" text, "dueAt" text, "points" real, ${points('FK_6ee1e64023e95e6e84921a5dee4', 'teacherId', 'teacher')}, ${points('FK_67e738fde6e8c5aa1083f8e9ae0', 'sectionId', 'section')})`,
  `CREATE INDEX "work_by_teacherId" ON "work" ("teacherId")`,
  `CREATE INDEX "work_by_sectionId" ON "work" ("sectionId")`,
  `CREATE TABLE "handIn" (${record}, "workId" text NOT NULL, "studentId" text NOT NULL, "status" text NOT NULL, "handedInAt" text, "handedBackAt" text, "score" real, ${points('FK_9c3144c7179cfe85f3f5d136ea9', 'teacherId', 'teacher')}, ${points('FK_78520eb945245c56cc4db0d5818', 'workId', 'work')}, ${points('FK_e21103c741ba914216c9475017f', 'studentId', 'student')})`,
  `CREATE INDEX "handIn_by_teacherId" ON "handIn" ("teacherId")`,
  `CREATE INDEX "handIn_by_workId" ON "handIn" ("workId")`,
  `CREATE INDEX "handIn_by_studentId" ON "handIn" ("studentId")`,
  `CREATE TABLE "activity" (${record}, "sectionId" text, "studentId" text NOT NULL, "at" text NOT NULL, "kind" text NOT NULL, "place" text NOT NULL, "object" text NOT NULL, "seconds" real, ${points('FK_8004b8902d34be1ae4cf73a2cf4', 'teacherId', 'teacher')}, ${points('FK_fb235a48af600b8e4e835fc5924', 'sectionId', 'section')}, ${points('FK_c3ce1fd25ff7784c8bb47ff21c1', 'studentId', 'student')})`,
  `CREATE INDEX "activity_by_teacherId" ON "activity" ("teacherId")`,
  `CREATE INDEX "activity_by_sectionId" ON "activity" ("sectionId")`,
  `CREATE INDEX "activity_by_studentId" ON "activity" ("studentId")`,
  `CREATE TABLE "nod" (${record}, "studentId" text NOT NULL, "at" text NOT NULL, "reason" text NOT NULL, "place" text NOT NULL, "comment" text NOT NULL, ${points('FK_23996e6a31d7a359b987e0165ea', 'teacherId', 'teacher')}, ${points('FK_c28a8f4d55b3a4ce63bdd94ce7b', 'studentId', 'student')})`,
  `CREATE INDEX "nod_by_teacherId" ON "nod" ("teacherId")`,
  `CREATE INDEX "nod_by_studentId" ON "nod" ("studentId")`,
];

/** Steps, quiet concerns, what is watched and summaries; work, what was done online and nods, as archives bring them. */
export class WatchAndWork1764800000000 implements MigrationInterface {
  readonly name = 'WatchAndWork1764800000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['nod', 'activity', 'handIn', 'work', 'pathSummary', 'watchSetting', 'quiet', 'step'])
      await runner.query(`DROP TABLE "${table}"`);
  }
}
