import type { Sql } from '../sql';
import { countBatch, goOnCounting, holdCounting } from './rollUps';

/** Who made some actions, where they belong, and by which change; removed or not, each field of all of them. */
export interface Batch {
  teacherId: string;
  sectionId: string;
  stamps: unknown;
}

export interface NewAction {
  id: string;
  studentId: string;
  /** Local moment. */
  at: string;
  kind: string;
  place: string;
  object: string;
  seconds: number | null;
}

const findWord = 'SELECT "n" FROM "activityWord" WHERE "text" = ?';
const addWord = 'INSERT INTO "activityWord" ("text") VALUES (?) RETURNING "n"';
const findBatch =
  'SELECT "n" FROM "activityBatch" WHERE "stamps" = ? AND "teacherId" = ? AND "scopeId" = ? AND "sectionId" = ?';
const addBatch =
  'INSERT INTO "activityBatch" ("stamps", "teacherId", "scopeId", "sectionId") VALUES (?, ?, ?, ?) RETURNING "n"';
const addAction =
  'INSERT OR IGNORE INTO "action" ("id", "batch", "scope", "student", "at", "kind", "place", "object", "seconds") VALUES (?, ?, ?, ?, unixepoch(?), ?, ?, ?, ?)';

const found = (row: { n: number } | undefined): number => {
  if (!row) throw new Error('The database gave no number.');
  return row.n;
};

/** Writes actions of a class in one transaction: without the way through the view it takes half as long. */
export class ActionWriter {
  /** Words of this transaction; after it they might be gone again. */
  private readonly numbers = new Map<string, number>();
  private readonly batch: number;
  private readonly scope: number;

  constructor(
    private readonly sql: Sql,
    { teacherId, sectionId, stamps }: Batch,
  ) {
    const values = [JSON.stringify(stamps), teacherId, sectionId, sectionId];
    this.batch = found(sql.get(findBatch, ...values) ?? sql.get(addBatch, ...values));
    this.scope = this.numberOf(sectionId);
  }

  private numberOf(text: string): number {
    const known = this.numbers.get(text);
    if (known !== undefined) return known;
    const n = found(this.sql.get(findWord, text) ?? this.sql.get(addWord, text));
    this.numbers.set(text, n);
    return n;
  }

  /** @returns false where it is there already, removed or not */
  add({ id, studentId, at, kind, place, object, seconds }: NewAction): boolean {
    const who = this.numberOf(studentId);
    const words = [this.numberOf(kind), this.numberOf(place), object];
    return this.sql.run(addAction, id, this.batch, this.scope, who, at, ...words, seconds) > 0;
  }
}

interface Stamp {
  at: string;
  by: string;
}

const batchAsDecided = `json_set("stamps", '$.removed', json(:stamp))`;

/** Moves actions of a batch to one with another word on whether they are removed. @returns how many there were */
function decide(sql: Sql, batch: number, removed: boolean, stamp: Stamp): number {
  const values = { batch, stamp: JSON.stringify(stamp) };
  const { n } = sql.get<{ n: number }>(
    `INSERT INTO "activityBatch" ("teacherId", "scopeId", "sectionId", "stamps") SELECT "teacherId", "scopeId", "sectionId", ${batchAsDecided} FROM "activityBatch" WHERE "n" = :batch RETURNING "n"`,
    values,
  ) ?? { n: batch };
  sql.run(holdCounting);
  const moved = sql.run(
    'UPDATE "action" SET "removed" = :removed, "batch" = :n WHERE "batch" = :batch AND "removed" = :before',
    { batch, n, removed: Number(removed), before: Number(!removed) },
  );
  sql.run(goOnCounting);
  for (const statement of countBatch) sql.run(statement, { batch: n });
  return moved;
}

const madeBy = `json_extract("stamps", '$."*".by')`;
const decidedBy = `json_extract("stamps", '$.removed.by')`;

/**
 * Takes back what was written in bulk, batch by batch: what the change made or brought back is removed, what it removed
 * comes back. What somebody has removed or brought back since is of another batch and left alone.
 * @param stamp of whoever takes it back @returns how many actions were changed
 */
export function takeBackActions(sql: Sql, changeId: string, teacherId: string, stamp: Stamp): number {
  const batches = (where: string) =>
    sql.all<{ n: number }>(
      `SELECT "n" FROM "activityBatch" WHERE "stamps" LIKE '%' || :changeId || '%' AND "teacherId" = :teacherId AND ${where}`,
      { changeId, teacherId },
    );
  const made = batches(`coalesce(${decidedBy}, ${madeBy}) = :changeId`);
  const removed = batches(`${decidedBy} = :changeId AND ${madeBy} <> :changeId`);
  return [
    ...made.map(({ n }) => decide(sql, n, true, stamp)),
    ...removed.map(({ n }) => decide(sql, n, false, stamp)),
  ].reduce((sum, count) => sum + count, 0);
}
