import type { MigrationInterface, QueryRunner } from 'typeorm';

const added = [
  ['school', 'periods', `text NOT NULL DEFAULT ('[]')`],
  ['dayOff', 'offFrom', 'text'],
  ['dayOff', 'offUntil', 'text'],
  ['meeting', 'everyOtherFrom', 'text'],
  ['section', 'lessonModes', `text NOT NULL DEFAULT ('[]')`],
] as const;

/** Periods by name, parts of days off, lessons of every other week, and what a class's lessons have. */
export class TimetableParts1765500000000 implements MigrationInterface {
  readonly name = 'TimetableParts1765500000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const [table, column, type] of added)
      await runner.query(`ALTER TABLE "${table}" ADD COLUMN "${column}" ${type}`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const [table, column] of added) await runner.query(`ALTER TABLE "${table}" DROP COLUMN "${column}"`);
  }
}
