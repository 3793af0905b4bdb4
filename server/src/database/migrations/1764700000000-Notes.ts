import type { MigrationInterface, QueryRunner } from 'typeorm';
import { noteIndexStatements } from '../noteIndex';
import { points, record } from './tableSql';

const statements = [
  `CREATE TABLE "topic" (${record}, "name" text NOT NULL, "trouble" boolean NOT NULL DEFAULT (0), "alsoCalled" text NOT NULL, "mergedIntoId" text, ${points('FK_0ba99a4c3987dae7d8e776ba6aa', 'teacherId', 'teacher')})`,
  `CREATE INDEX "topic_by_teacherId" ON "topic" ("teacherId")`,
  `CREATE TABLE "passedWord" (${record}, "word" text NOT NULL, ${points('FK_6c88d2ab316026923a5222f7cca', 'teacherId', 'teacher')})`,
  `CREATE INDEX "passedWord_by_teacherId" ON "passedWord" ("teacherId")`,
  `CREATE TABLE "note" (${record}, "text" text NOT NULL, "at" text NOT NULL, "happenedAt" text, "lessonId" text, "sectionId" text, "place" text NOT NULL, "own" boolean NOT NULL DEFAULT (0), "doubts" text NOT NULL, ${points('FK_6c5d11d997a3c9703f81cddd1cb', 'teacherId', 'teacher')}, ${points('FK_c415eeb57aaf73694b9d014b6a6', 'lessonId', 'lesson')}, ${points('FK_1e51d88cfe892b3e6dd5bafbdf2', 'sectionId', 'section')})`,
  `CREATE INDEX "note_by_teacherId" ON "note" ("teacherId")`,
  `CREATE INDEX "note_by_teacherId_at" ON "note" ("teacherId", "at")`,
  `CREATE INDEX "note_by_lessonId" ON "note" ("lessonId")`,
  `CREATE TABLE "noteStudent" (${record}, "noteId" text NOT NULL, "studentId" text NOT NULL, "spans" text NOT NULL, ${points('FK_71072f2ccdd1361b19884d833b2', 'teacherId', 'teacher')}, ${points('FK_21b0cc933ef7a7952f76cf07e58', 'noteId', 'note')}, ${points('FK_9d7e7c471a0375e9da764f3e11b', 'studentId', 'student')})`,
  `CREATE INDEX "noteStudent_by_teacherId" ON "noteStudent" ("teacherId")`,
  `CREATE INDEX "noteStudent_by_noteId" ON "noteStudent" ("noteId")`,
  `CREATE INDEX "noteStudent_by_studentId" ON "noteStudent" ("studentId")`,
  `CREATE TABLE "noteTopic" (${record}, "noteId" text NOT NULL, "topicId" text NOT NULL, "spans" text NOT NULL, ${points('FK_c21a52f659ff0cecaab4e49989c', 'teacherId', 'teacher')}, ${points('FK_0459e4076530569d4464bacb470', 'noteId', 'note')}, ${points('FK_55f087b4183923b70bfb84a2052', 'topicId', 'topic')})`,
  `CREATE INDEX "noteTopic_by_teacherId" ON "noteTopic" ("teacherId")`,
  `CREATE INDEX "noteTopic_by_noteId" ON "noteTopic" ("noteId")`,
  `CREATE INDEX "noteTopic_by_topicId" ON "noteTopic" ("topicId")`,
  `CREATE TABLE "followUp" (${record}, "noteId" text NOT NULL, "dueOn" text NOT NULL, "outcome" text NOT NULL, ${points('FK_3dac0d098f970b2401abf70bea0', 'teacherId', 'teacher')}, ${points('FK_afdba669e43e35af6f2bfce9d7e', 'noteId', 'note')})`,
  `CREATE INDEX "followUp_by_teacherId" ON "followUp" ("teacherId")`,
  `CREATE INDEX "followUp_by_noteId" ON "followUp" ("noteId")`,
  `CREATE INDEX "followUp_by_teacherId_dueOn" ON "followUp" ("teacherId", "dueOn")`,
  ...noteIndexStatements,
  `CREATE TABLE "erasure" ("studentId" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "erasedAt" text NOT NULL, ${points('FK_efe873aa7be9c73f36ab608d371', 'teacherId', 'teacher')})`,
];

/** Notes, whom and what they speak of, what they promise, and the index that finds their words. */
export class Notes1764700000000 implements MigrationInterface {
  readonly name = 'Notes1764700000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['erasure', 'noteIndex', 'followUp', 'noteTopic', 'noteStudent', 'note', 'passedWord', 'topic'])
      await runner.query(`DROP TABLE "${table}"`);
  }
}
