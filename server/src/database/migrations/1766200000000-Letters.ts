import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A row for each letter to one address, with how it stands; before, what the stand-in had kept. */
export class Letters1766200000000 implements MigrationInterface {
  readonly name = 'Letters1766200000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "letter" ("id" text PRIMARY KEY NOT NULL, "kind" text NOT NULL, "aboutId" text NOT NULL, "teacherId" text NOT NULL, "insteadOf" text, "name" text NOT NULL, "address" text NOT NULL, "subject" text, "body" text, "writtenAt" text NOT NULL, "queuedAt" text NOT NULL, "state" text NOT NULL, "tries" integer NOT NULL DEFAULT (0), "nextAt" text, "handingSince" text, "mayBeTwice" boolean NOT NULL DEFAULT (0), "changedAt" text NOT NULL, "reason" text, "said" text, CONSTRAINT "FK_890d8612cbba3114b986b98e86c" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
    );
    await runner.query('CREATE INDEX "letter_by_state" ON "letter" ("state", "nextAt")');
    await runner.query('CREATE INDEX "letter_by_aboutId" ON "letter" ("aboutId")');
    await runner.query(
      `CREATE TABLE "mailSettings" ("id" text PRIMARY KEY NOT NULL, "settings" text NOT NULL, "secret" text)`,
    );
    await runner.query(
      `INSERT INTO "letter" ("id", "kind", "aboutId", "teacherId", "name", "address", "writtenAt", "queuedAt", "state", "changedAt") SELECT m."id" || CASE a."key" WHEN 0 THEN '' ELSE '.' || (a."key" + 1) END, 'message', m."id", d."teacherId", '', a."value", m."writtenAt", d."deliveredAt", CASE d."file" WHEN '' THEN 'elsewhere' ELSE 'kept' END, d."deliveredAt" FROM "delivery" d JOIN "message" m ON m."id" = d."messageId", json_each(m."addresses") a`,
    );
    for (const [table, by, name] of [
      ['invitation', 'invitedBy', '"name"'],
      ['readerPage', 'madeBy', `json_extract("settings", '$.reader')`],
    ] as const) {
      await runner.query(
        `INSERT INTO "letter" ("id", "kind", "aboutId", "teacherId", "name", "address", "writtenAt", "queuedAt", "state", "changedAt") SELECT "id", '${table}', "id", "${by}", ${name}, "email", "madeAt", "mailedAt", 'kept', "mailedAt" FROM "${table}" WHERE "mailedAt" IS NOT NULL AND "email" IS NOT NULL`,
      );
      await runner.query(`ALTER TABLE "${table}" DROP COLUMN "mailedAt"`);
    }
    await runner.query('DROP TABLE "delivery"');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "delivery" ("messageId" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "deliveredAt" text NOT NULL, "file" text NOT NULL, CONSTRAINT "FK_cdcd0daeeb8f7bfb1786eb0eb28" FOREIGN KEY ("messageId") REFERENCES "message" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION, CONSTRAINT "FK_316a7c14a7a93616019a12f5b29" FOREIGN KEY ("teacherId") REFERENCES "teacher" ("id") ON DELETE NO ACTION ON UPDATE NO ACTION)`,
    );
    for (const table of ['invitation', 'readerPage'])
      await runner.query(`ALTER TABLE "${table}" ADD COLUMN "mailedAt" text`);
    await runner.query('DROP TABLE "mailSettings"');
    await runner.query('DROP TABLE "letter"');
  }
}
