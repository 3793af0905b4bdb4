import type { MigrationInterface, QueryRunner } from 'typeorm';
import { points, record } from './tableSql';

const statements = [
  `CREATE TABLE "lookFor" (${record}, "name" text NOT NULL, "tone" text NOT NULL, "measure" text NOT NULL, "sign" text NOT NULL, "sectionId" text, "position" integer NOT NULL, ${points('FK_fad383cd004333005a5b370ebff', 'teacherId', 'teacher')}, ${points('FK_f4e70d9dc583debb560a0b3b0c6', 'sectionId', 'section')})`,
  `CREATE INDEX "lookFor_by_teacherId" ON "lookFor" ("teacherId")`,
  `CREATE TABLE "focus" (${record}, "name" text NOT NULL, "sectionId" text, "lookForIds" text NOT NULL, ${points('FK_62cd23f8c97878aa2c78fbb02ff', 'teacherId', 'teacher')}, ${points('FK_16571ef7a01eb2a81c326d84eb9', 'sectionId', 'section')})`,
  `CREATE INDEX "focus_by_teacherId" ON "focus" ("teacherId")`,
  `CREATE TABLE "tallying" (${record}, "lessonId" text NOT NULL, "onAt" text NOT NULL, "offAt" text, "focusId" text, ${points('FK_96be85da39bc67ddade8df4a060', 'teacherId', 'teacher')}, ${points('FK_78aabde8f20c8801906a490624d', 'lessonId', 'lesson')}, ${points('FK_5b3d2635cc862174dfccbb17db5', 'focusId', 'focus')})`,
  `CREATE INDEX "tallying_by_teacherId" ON "tallying" ("teacherId")`,
  `CREATE INDEX "tallying_by_lessonId" ON "tallying" ("lessonId")`,
  `CREATE TABLE "circle" (${record}, "sectionId" text NOT NULL, "lessonId" text NOT NULL, "lookForIds" text NOT NULL, "groupName" text NOT NULL, "startedAt" text NOT NULL, "endedAt" text, ${points('FK_73818a8f1506f464233991777b7', 'teacherId', 'teacher')}, ${points('FK_8209a12c4d64bf7fae43ae667ed', 'sectionId', 'section')}, ${points('FK_4ee9d1dc395b0035a32edc18a73', 'lessonId', 'lesson')})`,
  `CREATE INDEX "circle_by_teacherId" ON "circle" ("teacherId")`,
  `CREATE INDEX "circle_by_sectionId" ON "circle" ("sectionId")`,
  `CREATE INDEX "circle_by_lessonId" ON "circle" ("lessonId")`,
  `CREATE TABLE "circleMember" (${record}, "circleId" text NOT NULL, "studentId" text NOT NULL, "place" real NOT NULL, "goalLookForId" text, "goalCount" integer, "feedback" text NOT NULL, "nextLookForId" text, "nextCount" integer, ${points('FK_129fe68567c30f6b2a7851139f1', 'teacherId', 'teacher')}, ${points('FK_a1313cceb1762c5c8cc56eb03c6', 'circleId', 'circle')}, ${points('FK_89b5b1a600f657be2f33de70d04', 'studentId', 'student')}, ${points('FK_c425364426af00cf0f8c3e87c01', 'goalLookForId', 'lookFor')}, ${points('FK_33b6a73f77540df9c06fdfaabae', 'nextLookForId', 'lookFor')})`,
  `CREATE INDEX "circleMember_by_teacherId" ON "circleMember" ("teacherId")`,
  `CREATE INDEX "circleMember_by_circleId" ON "circleMember" ("circleId")`,
  `CREATE TABLE "tally" (${record}, "lessonId" text NOT NULL, "studentId" text, "lookForId" text NOT NULL, "at" text NOT NULL, "amount" integer, "circleId" text, "correctedFrom" integer, ${points('FK_dd096d3f1d90f9d711e5013c98e', 'teacherId', 'teacher')}, ${points('FK_6b6fb82a9d54dc36d7b47549e06', 'lessonId', 'lesson')}, ${points('FK_8dffcdc3b54386f08d643094fb6', 'studentId', 'student')}, ${points('FK_650b2038afa4adfb1f8517e1b13', 'lookForId', 'lookFor')}, ${points('FK_26a46c0c7c395b9aaa26c8e06ec', 'circleId', 'circle')})`,
  `CREATE INDEX "tally_by_teacherId" ON "tally" ("teacherId")`,
  `CREATE INDEX "tally_by_lessonId" ON "tally" ("lessonId")`,
  `CREATE INDEX "tally_by_studentId" ON "tally" ("studentId")`,
  `CREATE TABLE "countComment" (${record}, "sectionId" text NOT NULL, "lookForId" text NOT NULL, "studentId" text, "text" text NOT NULL, ${points('FK_c2d75577c0081023eb56e04befa', 'teacherId', 'teacher')}, ${points('FK_abb3a6853c93287242ef7b5e77d', 'sectionId', 'section')}, ${points('FK_0303c4b2315650b4038cb5d045d', 'lookForId', 'lookFor')}, ${points('FK_0c944c152274200b47e6ad98798', 'studentId', 'student')})`,
  `CREATE INDEX "countComment_by_teacherId" ON "countComment" ("teacherId")`,
  `CREATE INDEX "countComment_by_sectionId" ON "countComment" ("sectionId")`,
  `CREATE TABLE "studentGroup" (${record}, "sectionId" text NOT NULL, "name" text NOT NULL, "studentIds" text NOT NULL, ${points('FK_7bfecb89dcdf5b9caf6f3264097', 'teacherId', 'teacher')}, ${points('FK_5260f1280032d7927fe98681ee7', 'sectionId', 'section')})`,
  `CREATE INDEX "studentGroup_by_teacherId" ON "studentGroup" ("teacherId")`,
  `CREATE TABLE "turn" (${record}, "lessonId" text NOT NULL, "studentId" text NOT NULL, "at" text NOT NULL, "seed" integer NOT NULL, "chances" text NOT NULL, "outcome" text NOT NULL, ${points('FK_92e8b22c86cee5561ceb2615aba', 'teacherId', 'teacher')}, ${points('FK_383d92c209621c421043bf7d438', 'lessonId', 'lesson')}, ${points('FK_9b9756bb2ecac0b8d4d9d498a56', 'studentId', 'student')})`,
  `CREATE INDEX "turn_by_teacherId" ON "turn" ("teacherId")`,
  `CREATE INDEX "turn_by_lessonId" ON "turn" ("lessonId")`,
];

const tables = ['lookFor', 'focus', 'tallying', 'circle', 'circleMember', 'tally', 'countComment', 'studentGroup', 'turn'];

/** What is looked for in lessons and seen: tallies, circles, turns, and what was written about the counts. */
export class Tallies1764500000000 implements MigrationInterface {
  readonly name = 'Tallies1764500000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of tables.toReversed()) await runner.query(`DROP TABLE "${table}"`);
  }
}
