import type { MigrationInterface, QueryRunner } from 'typeorm';

const added = [
  ['step', 'contact', `text NOT NULL DEFAULT ('null')`],
  ['message', 'tone', `text NOT NULL DEFAULT ('neutral')`],
] as const;

/** With whom somebody was in contact, and whether they heard something good. */
export class Contact1766500000000 implements MigrationInterface {
  readonly name = 'Contact1766500000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const [table, column, type] of added)
      await runner.query(`ALTER TABLE "${table}" ADD COLUMN "${column}" ${type}`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const [table, column] of added)
      await runner.query(`ALTER TABLE "${table}" DROP COLUMN "${column}"`);
  }
}
