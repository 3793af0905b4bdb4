import { ulid } from 'ulid';
import type { Clock } from '../clock';
import { writeLine } from '../changes/log';
import { ActionWriter } from '../database/activity/writeActions';
import type { OpenDatabase } from '../database/open';
import type { Sql } from '../database/sql';
import { erasedStudents } from '../keeping/erasure/erased';
import { tellBeside } from '../scopes/news';
import { othersTurn, unpacked, withIds, type KnownAction } from './actionParts';
import type { ActionOfStudent } from './actionParts';

/** So long one transaction writes: others who write wait for no longer than that. */
const longestPartMs = 5;

export interface ActivitySource {
  /** The file, or the feed. */
  name: string;
  /** Of what stood in it. */
  digest: string;
  comes: keyof typeof isThere;
}

export interface Place {
  database: OpenDatabase;
  clock: Clock;
  teacherId: string;
  sectionId: string;
  /** Collects those who may see it. */
  heard: Set<string>;
}

const revive = `UPDATE "activity" SET "removed" = 0, "stamps" = json_set("stamps", '$.removed', json(?)) WHERE "id" = ? AND "removed"`;

/** Those of some actions that are here; they are taken away where their store says that they do not count any more. */
function takeAway(sql: Sql, ids: readonly string[], stamp: { at: string; by: string }): void {
  for (const id of ids)
    sql.run(
      `UPDATE "activity" SET "removed" = 1, "stamps" = json_set("stamps", '$.removed', json(?)) WHERE "id" = ?`,
      JSON.stringify(stamp),
      id,
    );
}

/** Writes actions for a moment. @returns false where there are no more */
function writePart(
  sql: Sql,
  actions: Iterator<KnownAction>,
  { teacherId, sectionId }: Place,
  stamp: { at: string; by: string },
): boolean {
  const writer = new ActionWriter(sql, { teacherId, sectionId, stamps: { '*': stamp } });
  const until = performance.now() + longestPartMs;
  do {
    const next = actions.next();
    if (next.done) return false;
    const [id, [studentId, at, kind, place, object, seconds]] = next.value;
    const isNew = writer.add({ id, studentId, at, kind, place, object, seconds });
    if (!isNew) sql.run(revive, JSON.stringify(stamp), id);
  } while (performance.now() < until);
  return true;
}

const isThere = {
  /** Brought again on purpose: what was taken back comes again. */
  file: 'SELECT 1 FROM "action" WHERE "id" = ? AND NOT "removed"',
  /** Told again by itself: what was taken back stays so. */
  feed: 'SELECT 1 FROM "action" WHERE "id" = ?',
};

/** By its batches, which are few: the actions themselves stand by no class. */
const anyOfClass =
  'SELECT 1 FROM "action" WHERE "batch" IN (SELECT "n" FROM "activityBatch" WHERE "scopeId" = ?) LIMIT 1';

/** Packed actions that were looked up: which of them are to be written. */
class LookedUp {
  private readonly isWanted: boolean[][] = [];
  wanted = 0;
  known = 0;
  readonly fresh = new Set<string>();

  private constructor(private readonly parts: readonly Uint8Array[]) {}

  /** Looks at each whether it is there, a part at a time. */
  static async of(
    { database, sectionId, teacherId }: Place,
    { comes }: ActivitySource,
    parts: readonly Uint8Array[],
  ): Promise<LookedUp> {
    const found = new LookedUp(parts);
    const erased = new Set(erasedStudents(database.lookUp, teacherId));
    const isFirst = !database.lookUp.get(anyOfClass, sectionId);
    const isKnown = (id: string) => !isFirst && database.lookUp.get(isThere[comes], id) !== undefined;
    for (const part of parts) {
      found.isWanted.push(
        unpacked(part).map(([id, [studentId, , , , , , ref]]) => {
          if (erased.has(studentId)) return false;
          const known = isKnown(id);
          found.known += Number(known);
          found.wanted += Number(!known);
          if (!known && ref !== null && comes === 'feed') found.fresh.add(ref);
          return !known;
        }),
      );
      await othersTurn();
    }
    return found;
  }

  /** Those that are to be written. */
  *toWrite(): Generator<KnownAction> {
    for (const [index, part] of this.parts.entries())
      for (const [place, action] of unpacked(part).entries()) if (this.isWanted[index]?.[place]) yield action;
  }
}

/** What became of some actions. */
export interface Brought {
  /** Null where nothing was new. */
  changeId: string | null;
  added: number;
  known: number;
  /** The sources' own ids of those that were new, where they have any. */
  fresh: Set<string>;
}

/**
 * Takes in actions of a class’s students, a part at a time. The log gets one line, that says from where and how many:
 * which they were stands in their stamps, by which all of them are taken back as one. The same file twice adds nothing.
 * @returns the change’s id, null where nothing was new
 */
export async function bringActivity(
  place: Place,
  source: ActivitySource,
  parts: readonly Uint8Array[],
  voided: readonly ActionOfStudent[] = [],
): Promise<Brought> {
  const { database, clock, teacherId, sectionId, heard } = place;
  const at = new Date(clock()).toISOString();
  const id = ulid(clock());
  const actions = await LookedUp.of(place, source, parts);
  const { wanted, known, fresh } = actions;
  const gone = (await withIds(sectionId, voided))
    .map(([actionId]) => actionId)
    .filter((actionId) => database.lookUp.get(isThere.file, actionId));
  if (wanted + gone.length === 0) return { changeId: null, added: 0, known, fresh };
  const { name, digest } = source;
  const counts = { activity: wanted, ...(gone.length > 0 && { voided: gone.length }) };
  const toWrite = actions.toWrite();
  // With the first of them: what is written is always in the log, also where a crash breaks it off.
  const begin = (sql: Sql) => {
    const payload = { sectionId, source: { name, digest }, counts };
    const line = { id, kind: 'activity.bring', madeAt: at, device: 'import', payload };
    writeLine(sql, line, { teacherId, receivedAt: at }, sectionId, []);
    takeAway(sql, gone, { at, by: id });
  };
  let part = 0;
  let isMore = true;
  while (isMore) {
    isMore = await database.writePart((sql) => {
      if (part === 0) begin(sql);
      part += 1;
      return writePart(sql, toWrite, place, { at, by: id });
    });
    // Who came meanwhile is heard first, and writes before the next part.
    await othersTurn();
    await othersTurn();
  }
  await database.write((sql) => {
    const told = { kind: 'activity.bring', changeId: id };
    for (const other of tellBeside(sql, teacherId, new Set([sectionId]), told)) heard.add(other);
  });
  return { changeId: id, added: wanted, known, fresh };
}
