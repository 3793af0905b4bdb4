import type { Change } from '@slate-path/core/changes/schema';
import type { LoggedEdit } from '../database/entities';
import type { Sql } from '../database/sql';

/** Who sends a change, and the server's time. */
export interface Arrival {
  teacherId: string;
  receivedAt: string;
  /** Collects those who may see what it changes. */
  heard?: Set<string>;
}

/** What the log has of a change. */
export interface LoggedChange {
  teacherId: string;
  kind: string;
  about: string | null;
  edits: LoggedEdit[];
}

export function logged(sql: Sql, changeId: string): LoggedChange | undefined {
  const line = sql.get<Omit<LoggedChange, 'edits'> & { edits: string }>(
    'SELECT "teacherId", "kind", "about", "edits" FROM "change" WHERE "id" = ?',
    changeId,
  );
  return line && { ...line, edits: JSON.parse(line.edits) as LoggedEdit[] };
}

/** Which device a teacher's change came from. */
export function deviceOf(sql: Sql, changeId: string, teacherId: string): string | undefined {
  return sql.get<{ device: string }>(
    'SELECT "device" FROM "change" WHERE "id" = ? AND "teacherId" = ?',
    changeId,
    teacherId,
  )?.device;
}

/** What a line of the log says of a change, whoever made it. */
type Line = Pick<Change, 'id' | 'device' | 'madeAt'> & { kind: string; payload: unknown };

/**
 * Adds a line to the log, which nothing ever changes.
 * @param scopes in which it wrote: by them devices hear of it
 */
export function writeLine(
  sql: Sql,
  { id, kind, device, madeAt, payload }: Line,
  { teacherId, receivedAt }: Arrival,
  about: string | null,
  edits: LoggedEdit[],
  scopes: Iterable<string> = [],
): void {
  sql.run(
    'INSERT INTO "change" ("id", "teacherId", "kind", "about", "device", "madeAt", "receivedAt", "payload", "edits") ' +
      'VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
    id,
    teacherId,
    kind,
    about,
    device,
    madeAt,
    receivedAt,
    JSON.stringify(payload),
    JSON.stringify(edits),
  );
  for (const scopeId of scopes) touch(sql, scopeId, id);
}

/** Notes that a line wrote in a scope. */
export function touch(sql: Sql, scopeId: string, changeId: string): void {
  sql.run(
    'INSERT OR IGNORE INTO "touch" ("scopeId", "seq") SELECT ?, "seq" FROM "change" WHERE "id" = ?',
    scopeId,
    changeId,
  );
}
