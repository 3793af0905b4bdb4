import type { MigrationInterface, QueryRunner } from 'typeorm';
import { handInId } from '@slate-path/core/work/handInId';
import { finishedAt } from '@slate-path/core/work/own/finishedAt';
import type { LoggedEdit, Stamps } from '../entities';

const tables = [
  `ALTER TABLE "work" ADD COLUMN "studentId" text`,
  `ALTER TABLE "handIn" ADD COLUMN "written" text`,
  `ALTER TABLE "handIn" ADD COLUMN "minutes" integer`,
  `CREATE INDEX "work_by_studentId" ON "work" ("studentId")`,
  `ALTER TABLE "section" ADD COLUMN "attendedByWork" boolean NOT NULL DEFAULT (0)`,
  `UPDATE "section" SET "attendedByWork" = 1 WHERE "wholeDayMinutes" IS NOT NULL OR "id" IN (SELECT "sectionId" FROM "task")`,
];

interface TaskRow {
  id: string;
  teacherId: string;
  scopeId: string;
  removed: number;
  stamps: string;
  sectionId: string;
  studentId: string;
  title: string;
  doneOn: string | null;
  minutes: number | null;
}

/** What a field of a task is of the piece's part; the others are the piece's. */
const ofPart: Record<string, readonly string[]> = {
  studentId: ['studentId'],
  doneOn: ['status', 'handedInAt'],
  minutes: ['minutes'],
};

/** Something said by field of tasks, of fields of their parts. */
function partOf<T>(byField: Record<string, T>, turn = (_field: string, value: T): unknown => value) {
  return Object.fromEntries(
    Object.entries(byField).flatMap(([field, value]) =>
      (ofPart[field] ?? []).map((name) => [name, turn(name, value)]),
    ),
  );
}

const pieceOf = <T>(byField: Record<string, T>): Record<string, T> =>
  Object.fromEntries(
    Object.entries(byField).filter(([field]) => field !== 'doneOn' && field !== 'minutes'),
  );

/** The value of a part's field, where the task said on which day it was done. */
function valueOf(name: string, value: unknown): unknown {
  if (name === 'status') return value === null ? 'missing' : 'handed_in';
  return name === 'handedInAt' && typeof value === 'string' ? finishedAt(value) : value;
}

const newPiece = { assignedAt: null, dueAt: null, points: null };
const newPart = { handedBackAt: null, score: null, written: null };

/** What a change did to a task, as what it did to a piece and its part, so that it can be taken back as before. */
function editsOf(edit: LoggedEdit, studentId: string): LoggedEdit[] {
  const { op, id, before, beforeBy, after, overruled } = edit;
  const isMade = op === 'make';
  const partId = handInId(id, studentId);
  const part: LoggedEdit = {
    ...{ op, table: 'handIn', id: partId },
    before: before && partOf(before, valueOf),
    beforeBy: partOf(beforeBy) as LoggedEdit['beforeBy'],
    after: { ...(isMade && { ...newPart, workId: id }), ...partOf(after, valueOf) },
    overruled: overruled.flatMap((field) => ofPart[field] ?? []),
  };
  const piece: LoggedEdit = {
    ...{ op, table: 'work', id },
    before: before && pieceOf(before),
    beforeBy: pieceOf(beforeBy),
    after: { ...(isMade && newPiece), ...pieceOf(after) },
    overruled: overruled.filter((field) => field !== 'doneOn' && field !== 'minutes'),
  };
  return [piece, part].filter(({ after: fields }) => Object.keys(fields).length > 0);
}

/** The tasks of home educators become pieces of work of one student, each with its part; so does the log of them. */
export class OwnWork1765800000000 implements MigrationInterface {
  readonly name = 'OwnWork1765800000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of tables) await runner.query(statement);
    const tasks = (await runner.query('SELECT * FROM "task" ORDER BY rowid')) as TaskRow[];
    for (const task of tasks) await this.take(runner, task);
    await this.takeLog(runner, new Map(tasks.map(({ id, studentId }) => [id, studentId])));
    await runner.query('DROP TABLE "task"');
  }

  private async take(runner: QueryRunner, task: TaskRow): Promise<void> {
    const { id, teacherId, scopeId, removed, sectionId, studentId, title, doneOn, minutes } = task;
    const stamps = JSON.parse(task.stamps) as Stamps;
    const whole = stamps['*'] ? { '*': stamps['*'] } : {};
    await runner.query(
      `INSERT INTO "work" ("id", "teacherId", "scopeId", "removed", "stamps", "sectionId", "title", "studentId") VALUES (?, ?, ?, ?, ?, ?, ?, ?)`,
      [id, teacherId, scopeId, removed, JSON.stringify(pieceOf(stamps)), sectionId, title, studentId],
    );
    await runner.query(
      `INSERT INTO "handIn" ("id", "teacherId", "scopeId", "removed", "stamps", "workId", "studentId", "status", "handedInAt", "minutes") VALUES (?, ?, ?, 0, ?, ?, ?, ?, ?, ?)`,
      [
        ...[handInId(id, studentId), teacherId, scopeId, JSON.stringify({ ...whole, ...partOf(stamps) })],
        ...[id, studentId, valueOf('status', doneOn), valueOf('handedInAt', doneOn), minutes],
      ],
    );
  }

  private async takeLog(runner: QueryRunner, studentOf: ReadonlyMap<string, string>): Promise<void> {
    const lines = (await runner.query(
      `SELECT "seq", "edits" FROM "change" WHERE "edits" LIKE '%"table":"task"%'`,
    )) as { seq: number; edits: string }[];
    for (const { seq, edits } of lines) {
      const turned = (JSON.parse(edits) as (LoggedEdit | (Omit<LoggedEdit, 'table'> & { table: 'task' }))[]).flatMap(
        (edit) =>
          edit.table === 'task'
            ? editsOf(edit as unknown as LoggedEdit, studentOf.get(edit.id) ?? '')
            : [edit],
      );
      await runner.query('UPDATE "change" SET "edits" = ? WHERE "seq" = ?', [JSON.stringify(turned), seq]);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "task" ("id" text PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "stamps" text NOT NULL, "sectionId" text NOT NULL, "studentId" text NOT NULL, "title" text NOT NULL, "doneOn" text, "minutes" integer, "scopeId" text NOT NULL DEFAULT (''))`,
    );
    for (const column of ['scopeId', 'sectionId', 'studentId'])
      await runner.query(`CREATE INDEX "task_by_${column}" ON "task" ("${column}")`);
    await runner.query(
      `INSERT INTO "task" SELECT "work"."id", "work"."teacherId", "work"."removed", "work"."stamps", "work"."sectionId", "work"."studentId", "title", substr("handedInAt", 1, 10), "minutes", "work"."scopeId" FROM "work" JOIN "handIn" ON "workId" = "work"."id" WHERE "work"."studentId" IS NOT NULL`,
    );
    await runner.query(
      `DELETE FROM "handIn" WHERE "workId" IN (SELECT "id" FROM "work" WHERE "studentId" IS NOT NULL)`,
    );
    await runner.query(`DELETE FROM "work" WHERE "studentId" IS NOT NULL`);
    await runner.query('ALTER TABLE "section" DROP COLUMN "attendedByWork"');
    await runner.query(`DROP INDEX "work_by_studentId"`);
    await runner.query('ALTER TABLE "work" DROP COLUMN "studentId"');
    for (const column of ['written', 'minutes'])
      await runner.query(`ALTER TABLE "handIn" DROP COLUMN "${column}"`);
  }
}
