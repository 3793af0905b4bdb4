import type { RecordLists } from '@slate-path/core/records/records';
import type { OpenDatabase } from '../database/open';
import type { Sql } from '../database/sql';
import { route } from '../http/route';
import { dayAtSchool } from '../scopes/access';
import { packCursor, unpackCursor, wordFor, type Cursor } from './cursor';
import { differenceSince } from './difference';
import { lastForgetting } from './forgetting';
import { beginning, snapshotOfScope, snapshotPage } from './snapshot';

/** By a short word each: their own scope, the school, classes, and beside whom; students come and go with classes. */
function scopesByWord(sql: Sql, personId: string): Map<string, string> {
  const found = sql.all<{ scopeId: string; role: string }>(
    `SELECT a."scopeId", a."role" FROM "access" a LEFT JOIN "scope" s ON s."id" = a."scopeId" WHERE a."personId" = ? AND (s."kind" IS NULL OR s."kind" <> 'student') ORDER BY a."scopeId"`,
    personId,
  );
  return new Map(found.map(({ scopeId, role }) => [wordFor(`${scopeId} ${role}`), scopeId]));
}

interface Last {
  seq: number;
  id: string;
}

/** Is the log still the one that the cursor speaks of, and may the device keep what it holds? */
function isGood(sql: Sql, cursor: Cursor, forgets: string, scopes: ReadonlyMap<string, string>): boolean {
  if (cursor.forgets !== forgets || cursor.scopes.some((word) => !scopes.has(word))) return false;
  if (cursor.seq === 0) return true;
  return sql.get<Last>('SELECT "id" FROM "change" WHERE "seq" = ?', cursor.seq)?.id === cursor.changeId;
}

/** Records of several answers as one; of one that is in several, all are the same. */
function together(lists: readonly RecordLists[]): RecordLists {
  const all: Record<string, unknown[]> = {};
  for (const list of lists)
    for (const [table, rows] of Object.entries(list)) all[table] = [...(all[table] ?? []), ...rows];
  return all;
}

interface Answer {
  rows: RecordLists;
  anew: boolean;
  cursor: Cursor;
  more: boolean;
}

function answer({ lookUp }: OpenDatabase, personId: string, asked: Cursor | null, now: number): Answer {
  const forgets = wordFor(lastForgetting({ lookUp }, personId));
  const byWord = scopesByWord(lookUp, personId);
  const scopes = [...byWord.keys()];
  const today = dayAtSchool(lookUp, personId, now);
  const good = asked && isGood(lookUp, asked, forgets, byWord) ? asked : null;
  if (good && !good.at) {
    const difference = differenceSince(lookUp, personId, good.seq);
    if (difference) {
      const { last, more } = difference;
      const came = scopes.filter((word) => !good.scopes.includes(word));
      const ofThem = came.map((word) => snapshotOfScope(lookUp, personId, today, byWord.get(word) ?? ''));
      const cursor = { ...good, ...(last.changeId ? last : {}), scopes };
      return { rows: together([difference.rows, ...ofThem]), anew: false, cursor, more };
    }
  }
  const fresh = good?.at ? good : null;
  const last = lookUp.get<Last>('SELECT "seq", "id" FROM "change" ORDER BY "seq" DESC LIMIT 1');
  const from = fresh ?? { forgets, scopes, seq: last?.seq ?? 0, changeId: last?.id ?? '', at: null };
  const { rows, next } = snapshotPage(lookUp, personId, today, fresh?.at ?? beginning);
  // What changed while the pages came is told after the last of them.
  return { rows, anew: fresh === null, cursor: { ...from, at: next }, more: next !== null };
}

export const syncRoutes = [
  route('sync', {
    allow: 'member',
    handle({ query, teacherId, services: { database, clock } }) {
      const { rows, anew, cursor, more } = answer(database, teacherId, unpackCursor(query.cursor), clock());
      return Promise.resolve({ ...rows, anew, cursor: packCursor(cursor), more });
    },
  }),
];
