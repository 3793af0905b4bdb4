import { hash } from 'node:crypto';
import { ulid } from 'ulid';
import type { Clock } from '../clock';
import { writeLine } from '../changes/log';
import { numberOf } from '../database/activity/tables';
import { ActionWriter } from '../database/activity/writeActions';
import type { OpenDatabase } from '../database/open';
import type { Sql } from '../database/sql';
import { erasedStudents } from '../keeping/erasure/erased';
import { tellBeside } from '../scopes/news';
import type { ActionOfStudent } from './readFile';

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

/** So many are worked on before others have a turn. */
const turnLength = 1000;
const othersTurn = () => new Promise((resolve) => setImmediate(resolve));

/** Within one file the same action may stand twice and be two: they are told apart by their number. */
async function withIds(
  sectionId: string,
  actions: readonly ActionOfStudent[],
): Promise<[string, ActionOfStudent][]> {
  const seen = new Map<string, number>();
  const found: [string, ActionOfStudent][] = [];
  for (const [index, action] of actions.entries()) {
    if (index % turnLength === 0) await othersTurn();
    const ref = action[6];
    const key = JSON.stringify(ref === null ? action : [action[0], ref]);
    const times = seen.get(key) ?? 0;
    seen.set(key, times + 1);
    // A statement has an id of its own: it is one however often it comes.
    if (ref !== null && times > 0) continue;
    const digest = hash('sha256', `${sectionId} ${key} ${times}`, 'base64url');
    // The moment before it: what is written one after the other stands so in the index.
    found.push([`${action[1].replace(/\D/g, '')}-${digest.slice(0, 22)}`, action]);
  }
  return found;
}

const revive = `UPDATE "activity" SET "removed" = 0, "stamps" = json_set("stamps", '$.removed', json(?)) WHERE "id" = ?`;

/** Those of some actions that are here; they are taken away where their store says that they do not count any more. */
function takeAway(sql: Sql, ids: readonly string[], stamp: { at: string; by: string }): void {
  for (const id of ids)
    sql.run(
      `UPDATE "activity" SET "removed" = 1, "stamps" = json_set("stamps", '$.removed', json(?)) WHERE "id" = ?`,
      JSON.stringify(stamp),
      id,
    );
}

/** Writes actions from a place on, for a moment. @returns how far it came */
function writePart(
  sql: Sql,
  wanted: readonly [string, ActionOfStudent][],
  from: number,
  { teacherId, sectionId }: Place,
  stamp: { at: string; by: string },
): number {
  const writer = new ActionWriter(sql, { teacherId, sectionId, stamps: { '*': stamp } });
  const until = performance.now() + longestPartMs;
  let place = from;
  while (place < wanted.length && (place === from || performance.now() < until)) {
    const [id, [studentId, at, kind, where, object, seconds]] = wanted[place] as [string, ActionOfStudent];
    const isNew = writer.add({ id, studentId, at, kind, place: where, object, seconds });
    if (!isNew) sql.run(revive, JSON.stringify(stamp), id);
    place += 1;
  }
  return place;
}

const isThere = {
  /** Brought again on purpose: what was taken back comes again. */
  file: 'SELECT 1 FROM "action" WHERE "id" = ? AND NOT "removed"',
  /** Told again by itself: what was taken back stays so. */
  feed: 'SELECT 1 FROM "action" WHERE "id" = ?',
};

const anyOfClass = `SELECT 1 FROM "action" WHERE "scope" = ${numberOf('?')}`;

/** Those that are to be written. */
async function notThere(
  { database, sectionId }: Place,
  all: [string, ActionOfStudent][],
  { comes }: ActivitySource,
): Promise<[string, ActionOfStudent][]> {
  if (!database.lookUp.get(anyOfClass, sectionId)) return all;
  const wanted: [string, ActionOfStudent][] = [];
  for (const [index, one] of all.entries()) {
    if (index % turnLength === 0) await othersTurn();
    if (!database.lookUp.get(isThere[comes], one[0])) wanted.push(one);
  }
  return wanted;
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
  actions: readonly ActionOfStudent[],
  voided: readonly ActionOfStudent[] = [],
): Promise<Brought> {
  const { database, clock, teacherId, sectionId, heard } = place;
  const at = new Date(clock()).toISOString();
  const id = ulid(clock());
  const erased = new Set(erasedStudents(database.lookUp, teacherId));
  const kept = actions.filter(([studentId]) => !erased.has(studentId));
  const all = await withIds(sectionId, kept);
  const wanted = await notThere(place, all, source);
  const known = all.length - wanted.length;
  // By the moment, as in the index of ids: one after the other they are written to the same pages.
  wanted.sort(([a], [b]) => (a < b ? -1 : 1));
  const gone = (await withIds(sectionId, voided))
    .map(([actionId]) => actionId)
    .filter((actionId) => database.lookUp.get(isThere.file, actionId));
  const fresh = new Set(wanted.flatMap(([, [, , , , , , ref]]) => ref ?? []));
  if (wanted.length + gone.length === 0) return { changeId: null, added: 0, known, fresh };
  const { name, digest } = source;
  const counts = { activity: wanted.length, ...(gone.length > 0 && { voided: gone.length }) };
  let written = 0;
  do {
    written = await database.writePart((sql) => {
      // With the first of them: what is written is always in the log, also where a crash breaks it off.
      if (written === 0) {
        const payload = { sectionId, source: { name, digest }, counts };
        const line = { id, kind: 'activity.bring', madeAt: at, device: 'import', payload };
        writeLine(sql, line, { teacherId, receivedAt: at }, sectionId, []);
        takeAway(sql, gone, { at, by: id });
      }
      return writePart(sql, wanted, written, place, { at, by: id });
    });
  } while (written < wanted.length);
  await database.write((sql) => {
    const told = { kind: 'activity.bring', changeId: id };
    for (const other of tellBeside(sql, teacherId, new Set([sectionId]), told)) heard.add(other);
  });
  return { changeId: id, added: wanted.length, known, fresh };
}
