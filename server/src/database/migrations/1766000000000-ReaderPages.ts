import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Pages made for readers, and when they were opened. */
export class ReaderPages1766000000000 implements MigrationInterface {
  readonly name = 'ReaderPages1766000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "readerPage" ("id" text PRIMARY KEY NOT NULL, "tokenHash" text NOT NULL, "codeHash" text, "madeBy" text NOT NULL, "settings" text NOT NULL, "email" text, "mailedAt" text, "madeAt" text NOT NULL, "until" text NOT NULL, "endedAt" text, "openings" integer NOT NULL DEFAULT (0), "openedAt" text, "wrongCodes" integer NOT NULL DEFAULT (0), "waitUntil" text, "repliedOn" text, "replies" integer NOT NULL DEFAULT (0), "lastReply" text, CONSTRAINT "UQ_readerPage_tokenHash" UNIQUE ("tokenHash"), CONSTRAINT "FK_a21beaaae54d5a8fc901ef1cd33" FOREIGN KEY ("madeBy") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
    );
    await runner.query('CREATE INDEX "readerPage_by_madeBy" ON "readerPage" ("madeBy")');
    await runner.query(
      `CREATE TABLE "pageOpening" ("pageId" text NOT NULL, "minute" text NOT NULL, "times" integer NOT NULL DEFAULT (1), PRIMARY KEY ("pageId", "minute")) WITHOUT ROWID`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE "pageOpening"');
    await runner.query('DROP TABLE "readerPage"');
  }
}
