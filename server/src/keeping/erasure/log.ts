import { forgetLine } from '@slate-path/core/keeping/erasure/forget';
import type { Sql } from '../../database/sql';
import { madeInSchool } from '../../scopes/access';
import type { cleaningOf } from './findStudent';

interface Line {
  seq: number;
  payload: string;
  edits: string;
}

export interface CleanedLine {
  seq: number;
  /** Null where there is nothing of the student in it. */
  written: { payload: string; edits: string } | null;
}

/** The lines of a school's log from one on, each with what is written instead of it. */
export function* cleanedLines(
  sql: Sql,
  teacherId: string,
  from: number,
  cleaning: ReturnType<typeof cleaningOf>,
): Generator<CleanedLine> {
  const lines = sql.each<Line>(
    `SELECT "seq", "payload", "edits" FROM "change" WHERE ${madeInSchool} AND "seq" >= ? ORDER BY "seq"`,
    teacherId,
    from,
  );
  for (const { seq, payload, edits } of lines) {
    if (!cleaning.concerns(payload) && !cleaning.concerns(edits)) {
      yield { seq, written: null };
      continue;
    }
    const line = { payload: JSON.parse(payload) as unknown, edits: JSON.parse(edits) as unknown[] };
    const cleaned = forgetLine(line, cleaning);
    const written = { payload: JSON.stringify(cleaned.payload), edits: JSON.stringify(cleaned.edits) };
    yield { seq, written: written.payload === payload && written.edits === edits ? null : written };
  }
}
