import type { FeedRow, FeedState } from '../../database/feedEntity';
import type { Sql } from '../../database/sql';
import { madeInSchool } from '../../scopes/access';
import { firstVersion } from './askStore';

/** Before anything was asked for. */
export const newState: FeedState = {
  through: null,
  counted: null,
  next: null,
  version: firstVersion,
  brought: 0,
  rounds: [],
  lastWorkedAt: null,
  failure: null,
  failingSince: null,
  failures: 0,
  strangers: [],
  ofNobody: 0,
  notRead: 0,
  waiting: [],
  forgotten: [],
};

type Stored = Omit<FeedRow, 'state'> & { state: string };

const read = (row: Stored): FeedRow => ({
  ...row,
  // What came to it later is not in a state that was kept before.
  state: { ...newState, ...(JSON.parse(row.state) as Partial<FeedState>) },
});

export function feedOf(sql: Sql, feedId: string): FeedRow | undefined {
  const row = sql.get<Stored>('SELECT * FROM "feed" WHERE "id" = ?', feedId);
  return row && read(row);
}

export function feedsOf(sql: Sql, sectionId: string): FeedRow[] {
  return sql.all<Stored>('SELECT * FROM "feed" WHERE "sectionId" = ? ORDER BY "id"', sectionId).map(read);
}

/** Those that somebody of a person's school set. */
export function feedsOfSchool(sql: Sql, personId: string): FeedRow[] {
  return sql.all<Stored>(`SELECT * FROM "feed" WHERE ${madeInSchool}`, personId).map(read);
}

/** Those of every class that is still there. */
export function allFeeds(sql: Sql): FeedRow[] {
  return sql
    .all<Stored>(
      'SELECT * FROM "feed" WHERE "sectionId" IN (SELECT "id" FROM "section" WHERE NOT "removed") ORDER BY "id"',
    )
    .map(read);
}

export function writeFeed(
  sql: Sql,
  { id, sectionId, teacherId, name, address, userName, secret, course, state }: FeedRow,
): void {
  sql.run(
    'INSERT OR REPLACE INTO "feed" ("id", "sectionId", "teacherId", "name", "address", "userName", "secret", "course", "state") VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
    ...[id, sectionId, teacherId, name, address, userName, secret, course, JSON.stringify(state)],
  );
}

/** Changes how a feed stands; nothing where it was ended meanwhile, or another store is asked now. */
export function setState(
  sql: Sql,
  { id, address, course }: Pick<FeedRow, 'id' | 'address' | 'course'>,
  change: (state: FeedState) => FeedState,
): void {
  const now = feedOf(sql, id);
  if (now?.address !== address || now.course !== course) return;
  sql.run('UPDATE "feed" SET "state" = ? WHERE "id" = ?', JSON.stringify(change(now.state)), id);
}

export function deleteFeed(sql: Sql, feedId: string): void {
  sql.run('DELETE FROM "feed" WHERE "id" = ?', feedId);
}

/** Changes about a class that were taken back. */
export function takenBack(sql: Sql, sectionId: string): Set<string> {
  const lines = sql.all<{ changeId: string }>(
    `SELECT json_extract("payload", '$.changeId') AS "changeId" FROM "change" WHERE "about" = ? AND "kind" = 'undo'`,
    sectionId,
  );
  return new Set(lines.map(({ changeId }) => changeId));
}
