import type { MigrationInterface, QueryRunner } from 'typeorm';

const statements = [
  `ALTER TABLE "session" ADD COLUMN "id" text NOT NULL DEFAULT ''`,
  `ALTER TABLE "session" ADD COLUMN "device" text NOT NULL DEFAULT ''`,
  `ALTER TABLE "session" ADD COLUMN "createdAt" text NOT NULL DEFAULT ''`,
  `ALTER TABLE "session" ADD COLUMN "usedAt" text NOT NULL DEFAULT ''`,
  // Whoever is signed in stays so: these begin to count now.
  `UPDATE "session" SET "id" = lower(hex(randomblob(13))), "createdAt" = strftime('%Y-%m-%dT%H:%M:%fZ', 'now'), "usedAt" = strftime('%Y-%m-%dT%H:%M:%fZ', 'now')`,
  `ALTER TABLE "teacher" ADD COLUMN "recoveryHash" text`,
  // Of two accounts of one name, made in the same moment, nobody could have told which one is signed in to.
  `UPDATE "teacher" SET "name" = "name" || ' (' || "rowid" || ')' WHERE "rowid" NOT IN (SELECT min("rowid") FROM "teacher" GROUP BY "name")`,
  `CREATE UNIQUE INDEX "teacher_by_name" ON "teacher" ("name")`,
];

/** Sessions that can be listed and ended one by one; a code for a lost passphrase; one account of a name. */
export class Sessions1765200000000 implements MigrationInterface {
  readonly name = 'Sessions1765200000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX "teacher_by_name"');
    await runner.query('ALTER TABLE "teacher" DROP COLUMN "recoveryHash"');
    for (const column of ['id', 'device', 'createdAt', 'usedAt'])
      await runner.query(`ALTER TABLE "session" DROP COLUMN "${column}"`);
  }
}
