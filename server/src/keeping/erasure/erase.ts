import { ErasingFile } from '../../database/erasing';
import type { Sql } from '../../database/sql';
import { cleaningOf, findStudent } from './findStudent';
import { cleanedLines, type CleanedLine } from './log';
import { eraseRows, surveyRecords, type ErasedRecords } from './records';
import { namesOfState, namesToState, readState, writeState, type ErasingStep } from './state';

export interface ErasureRequest {
  file: string;
  teacherId: string;
  studentId: string;
}

export interface ErasureOrder extends ErasureRequest {
  /** ISO moment. */
  at: string;
  /** Id of the line that the log gets. */
  changeId: string;
}

/** What is erased, or would be. */
export interface Erasure extends ErasedRecords {
  /** Lines of the log that are cleaned. */
  lines: number;
}

/** So long a step works on the log before others may write again. */
const stepMs = 200;

/** What erasing a student would take away, as the records stand at one moment; others may write meanwhile. */
export function surveyErasure({ file, teacherId, studentId }: ErasureRequest): Erasure {
  return ErasingFile.with(file, { readonly: true }, (opened) =>
    opened.atOneMoment(() => {
      const { sql } = opened;
      const found = findStudent(sql, teacherId, studentId);
      const cleaning = cleaningOf(studentId, found.names, found.recordIds);
      let lines = 0;
      for (const { written } of cleanedLines(sql, teacherId, 0, cleaning)) if (written) lines += 1;
      return { ...surveyRecords(sql, teacherId, found), lines };
    }),
  );
}

/** That somebody was erased, without who: other devices forget too, and what still arrives is cleaned. */
function remember(sql: Sql, { teacherId, studentId, at, changeId }: ErasureOrder): void {
  sql.run(
    'INSERT INTO "erasure" ("studentId", "teacherId", "erasedAt") VALUES (?, ?, ?)',
    studentId,
    teacherId,
    at,
  );
  sql.run(
    'INSERT INTO "change" ("id", "teacherId", "kind", "about", "device", "madeAt", "receivedAt", "payload", "edits") VALUES (?, ?, ?, NULL, ?, ?, ?, ?, ?)',
    ...[changeId, teacherId, 'erasure', 'server', at, at, '{}', '[]'],
  );
}

/** First step: the records, in one transaction, with what is left to do. From here on the student is erased. */
export function eraseRecords(order: ErasureOrder): ErasedRecords {
  const { file, teacherId, studentId } = order;
  return ErasingFile.with(file, { readonly: false }, (opened) =>
    opened.atOnce(() => {
      const { sql } = opened;
      const found = findStudent(sql, teacherId, studentId);
      const erased = surveyRecords(sql, teacherId, found);
      eraseRows(sql, teacherId, found);
      remember(sql, order);
      writeState(sql, order, {
        phase: 'log',
        names: namesToState(found.names),
        recordIds: [...found.recordIds],
        messageIds: erased.letterIds,
        nextSeq: 0,
      });
      return erased;
    }),
  );
}

/** Second step, again and again: a piece of the log. @returns how many lines were cleaned, and whether it is clean */
export function eraseLog({ file, studentId }: ErasingStep): { lines: number; done: boolean } {
  return ErasingFile.with(file, { readonly: false }, ({ sql }) => {
    const found = readState(sql, studentId);
    if (found?.state.phase !== 'log') return { lines: 0, done: true };
    const { teacherId, state } = found;
    const cleaning = cleaningOf(studentId, namesOfState(state.names), new Set(state.recordIds));
    const changed: CleanedLine[] = [];
    const until = performance.now() + stepMs;
    let { nextSeq } = state;
    let done = true;
    for (const line of cleanedLines(sql, teacherId, nextSeq, cleaning)) {
      if (line.written) changed.push(line);
      nextSeq = line.seq + 1;
      if (performance.now() < until) continue;
      done = false;
      break;
    }
    const write = 'UPDATE "change" SET "payload" = ?, "edits" = ? WHERE "seq" = ?';
    const nobody = { telling: [], all: [], exact: [] };
    sql.atOnce(() => {
      for (const { seq, written } of changed)
        if (written) sql.run(write, written.payload, written.edits, seq);
      writeState(
        sql,
        { teacherId, studentId },
        // The last place with the name is this state itself.
        done ? { ...state, phase: 'packing', names: nobody, recordIds: [], nextSeq } : { ...state, nextSeq },
      );
    });
    return { lines: changed.length, done };
  });
}

/**
 * Last step: packs the file and empties its journal, so that no byte of the name is left in them.
 * @returns false where the journal could not be emptied yet: then this is to be done again
 */
export function erasePack({ file, studentId }: ErasingStep): boolean {
  return ErasingFile.with(file, { readonly: false }, (opened) => {
    const { sql } = opened;
    const found = readState(sql, studentId);
    if (!found) return true;
    const { teacherId, state } = found;
    if (state.phase === 'packing') {
      opened.pack();
      writeState(sql, { teacherId, studentId }, { ...state, phase: 'emptying' });
    }
    if (!opened.emptyJournal()) return false;
    sql.run('DELETE FROM "erasing" WHERE "studentId" = ?', studentId);
    return true;
  });
}
