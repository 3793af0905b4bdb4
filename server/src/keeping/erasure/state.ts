import type { ErasedNames } from '@slate-path/core/keeping/erasure/eraseNames';
import type { Sql } from '../../database/sql';

/**
 * What is left to do of an erasure. The student's records are gone by then, so whom to look for in the log is kept
 * here, until the log is clean.
 */
export interface ErasureState {
  /** The log is cleaned; the file is packed; or only its journal has to be emptied. */
  phase: 'log' | 'packing' | 'emptying';
  names: { telling: string[]; all: string[]; exact: string[] };
  recordIds: string[];
  /** Letters whose copies are to be deleted; named as it was while a message was one letter. */
  messageIds: string[];
  /** The log is clean before this line. */
  nextSeq: number;
}

export interface ErasingStep {
  file: string;
  studentId: string;
}

export function writeState(
  sql: Sql,
  { studentId, teacherId }: { studentId: string; teacherId: string },
  state: ErasureState,
): void {
  sql.run(
    'INSERT INTO "erasing" ("studentId", "teacherId", "state") VALUES (?, ?, ?) ON CONFLICT ("studentId") DO UPDATE SET "state" = excluded."state"',
    studentId,
    teacherId,
    JSON.stringify(state),
  );
}

export function readState(sql: Sql, studentId: string): { teacherId: string; state: ErasureState } | null {
  const row = sql.get<{ teacherId: string; state: string }>(
    'SELECT "teacherId", "state" FROM "erasing" WHERE "studentId" = ?',
    studentId,
  );
  return row ? { teacherId: row.teacherId, state: JSON.parse(row.state) as ErasureState } : null;
}

export function namesToState({ telling, all, exact }: ErasedNames): ErasureState['names'] {
  return { telling: [...telling], all: [...all], exact: [...exact] };
}

export function namesOfState({ telling, all, exact }: ErasureState['names']): ErasedNames {
  return { telling: new Set(telling), all: new Set(all), exact, shared: [] };
}
