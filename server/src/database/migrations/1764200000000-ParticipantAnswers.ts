import type { MigrationInterface, QueryRunner } from 'typeorm';

const statements = [
  `CREATE TABLE "participantAnswer" ("id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL, "sectionId" text NOT NULL, "entry" text NOT NULL, "studentId" text, CONSTRAINT "FK_550cd9ad234302c3d5167d0e3c1" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION, CONSTRAINT "FK_3786c4082283288b79fa396c111" FOREIGN KEY ("sectionId") REFERENCES "section" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION, CONSTRAINT "FK_826f1a47e337f5cbb53e153d9de" FOREIGN KEY ("studentId") REFERENCES "student" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
  `CREATE INDEX "participantAnswer_by_teacherId" ON "participantAnswer" ("teacherId")`,
  `CREATE INDEX "participantAnswer_by_sectionId" ON "participantAnswer" ("sectionId")`,
];

/** Who an entry of a class's participant lists is. */
export class ParticipantAnswers1764200000000 implements MigrationInterface {
  readonly name = 'ParticipantAnswers1764200000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE "participantAnswer"');
  }
}
