import Database from 'better-sqlite3';
import { clearNoteIndex, rebuildNoteIndex } from '../../database/noteIndex';
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

function open(file: string, readonly: boolean): Database.Database {
  const db = new Database(file, { fileMustExist: true, readonly });
  db.pragma('busy_timeout = 10000');
  if (readonly) return db;
  db.pragma('foreign_keys = ON');
  // What is deleted is overwritten at once; packing then leaves nothing of what was moved about before.
  db.pragma('secure_delete = ON');
  return db;
}

function withDatabase<T>(file: string, readonly: boolean, work: (db: Database.Database) => T): T {
  const db = open(file, readonly);
  try {
    return work(db);
  } finally {
    db.close();
  }
}

/** What erasing a student would take away, as the records stand at one moment; others may write meanwhile. */
export function surveyErasure({ file, teacherId, studentId }: ErasureRequest): Erasure {
  return withDatabase(file, true, (db) =>
    db.transaction(() => {
      const found = findStudent(db, teacherId, studentId);
      const cleaning = cleaningOf(studentId, found.names, found.recordIds);
      let lines = 0;
      for (const { written } of cleanedLines(db, teacherId, 0, cleaning)) if (written) lines += 1;
      return { ...surveyRecords(db, teacherId, found), lines };
    })(),
  );
}

/** That somebody was erased, without who: other devices forget too, and what still arrives is cleaned. */
function remember(db: Database.Database, { teacherId, studentId, at, changeId }: ErasureOrder): void {
  db.prepare('INSERT INTO "erasure" ("studentId", "teacherId", "erasedAt") VALUES (?, ?, ?)').run(
    studentId,
    teacherId,
    at,
  );
  db.prepare(
    'INSERT INTO "change" ("id", "teacherId", "kind", "about", "device", "madeAt", "receivedAt", "payload", "edits") VALUES (?, ?, ?, NULL, ?, ?, ?, ?, ?)',
  ).run(changeId, teacherId, 'erasure', 'server', at, at, '{}', '[]');
}

/** First step: the records, in one transaction, with what is left to do. From here on the student is erased. */
export function eraseRecords(order: ErasureOrder): ErasedRecords {
  const { file, teacherId, studentId } = order;
  return withDatabase(file, false, (db) =>
    db
      .transaction(() => {
        // A note goes after what points at it in the same step; all is checked at the end.
        db.pragma('defer_foreign_keys = ON');
        const found = findStudent(db, teacherId, studentId);
        const erased = surveyRecords(db, teacherId, found);
        eraseRows(db, teacherId, found);
        remember(db, order);
        writeState(db, order, {
          phase: 'log',
          names: namesToState(found.names),
          recordIds: [...found.recordIds],
          messageIds: erased.messageIds,
          nextSeq: 0,
        });
        return erased;
      })
      .immediate(),
  );
}

/** Second step, again and again: a piece of the log. @returns how many lines were cleaned, and whether it is clean */
export function eraseLog({ file, studentId }: ErasingStep): { lines: number; done: boolean } {
  return withDatabase(file, false, (db) => {
    const found = readState(db, studentId);
    if (found?.state.phase !== 'log') return { lines: 0, done: true };
    const { teacherId, state } = found;
    const cleaning = cleaningOf(studentId, namesOfState(state.names), new Set(state.recordIds));
    const changed: CleanedLine[] = [];
    const until = performance.now() + stepMs;
    let { nextSeq } = state;
    let done = true;
    for (const line of cleanedLines(db, teacherId, nextSeq, cleaning)) {
      if (line.written) changed.push(line);
      nextSeq = line.seq + 1;
      if (performance.now() < until) continue;
      done = false;
      break;
    }
    const write = db.prepare('UPDATE "change" SET "payload" = ?, "edits" = ? WHERE "seq" = ?');
    const nobody = { telling: [], all: [], exact: [] };
    db.transaction(() => {
      for (const { seq, written } of changed) if (written) write.run(written.payload, written.edits, seq);
      writeState(
        db,
        { teacherId, studentId },
        // The last place with the name is this state itself.
        done ? { ...state, phase: 'packing', names: nobody, recordIds: [], nextSeq } : { ...state, nextSeq },
      );
    }).immediate();
    return { lines: changed.length, done };
  });
}

/** Empties the journal. @returns false while somebody still reads what it holds */
function emptyJournal(db: Database.Database): boolean {
  const [result] = db.pragma('wal_checkpoint(TRUNCATE)') as { busy: number }[];
  return result?.busy === 0;
}

/**
 * Last step: packs the file and empties its journal, so that no byte of the name is left in them.
 * @returns false where the journal could not be emptied yet: then this is to be done again
 */
export function erasePack({ file, studentId }: ErasingStep): boolean {
  return withDatabase(file, false, (db) => {
    const found = readState(db, studentId);
    if (!found) return true;
    const { teacherId, state } = found;
    if (state.phase === 'packing') {
      // The index has the old words in pages of its own; rows have other numbers when the file is packed.
      db.exec(clearNoteIndex);
      try {
        db.exec('VACUUM');
      } finally {
        // Also where there was no room to pack: notes are found all the same.
        db.exec(rebuildNoteIndex);
      }
      writeState(db, { teacherId, studentId }, { ...state, phase: 'emptying' });
    }
    if (!emptyJournal(db)) return false;
    db.prepare('DELETE FROM "erasing" WHERE "studentId" = ?').run(studentId);
    return true;
  });
}
