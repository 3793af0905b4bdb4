import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What students see of themselves, and the cards that lead them there. */
export class OwnView1766100000000 implements MigrationInterface {
  readonly name = 'OwnView1766100000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "ownView" ("sectionId" text PRIMARY KEY NOT NULL, "settings" text NOT NULL, "setBy" text NOT NULL, "setAt" text NOT NULL, CONSTRAINT "FK_e9eb5538b3fd2a076e38c05ce52" FOREIGN KEY ("setBy") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
    );
    await runner.query(
      `CREATE TABLE "studentCard" ("id" text PRIMARY KEY NOT NULL, "studentId" text NOT NULL, "tokenHash" text NOT NULL, "madeBy" text NOT NULL, "madeAt" text NOT NULL, "endedAt" text, "openings" integer NOT NULL DEFAULT (0), "openedAt" text, "repliedOn" text, "replies" integer NOT NULL DEFAULT (0), "lastReply" text, CONSTRAINT "UQ_studentCard_tokenHash" UNIQUE ("tokenHash"), CONSTRAINT "FK_237633a9ea9c96948cf0806752c" FOREIGN KEY ("madeBy") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
    );
    await runner.query('CREATE INDEX "studentCard_by_studentId" ON "studentCard" ("studentId")');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE "studentCard"');
    await runner.query('DROP TABLE "ownView"');
  }
}
