import { addLettersFromElsewhere } from '../people/messages/letters';
import { ulid } from 'ulid';
import { BroughtRecords, manifestOf, type BroughtRecord } from '@slate-path/core/keeping/archive/brought';
import { bulkEdits, type BulkKind } from '@slate-path/core/keeping/archive/edits';
import { forget } from '@slate-path/core/keeping/erasure/forget';
import type { OpenDatabase } from '../database/open';
import type { Sql } from '../database/sql';
import { erasedStudents } from '../keeping/erasure/erased';
import type { Clock } from '../clock';
import { NotAllowed } from '../scopes/writer';
import { MissingRecord, type Word } from './applyEdits';
import { touch, writeLine, type Arrival } from './log';
import { DanglingReference, writeEdits } from './writeEdits';

/** Records that are written at once: the server is held up for so many at a time. */
const partLength = 250;

export interface Place {
  database: OpenDatabase;
  clock: Clock;
  teacherId: string;
  /** Collects those who may see what is written. */
  heard?: Set<string>;
}

/** What could not be written, with the reason; what came before it is kept, and may be written again. */
export class NotBrought extends Error {}

/** What hangs on a student who was erased while this was on its way is not taken in. */
function withoutErased(sql: Sql, records: readonly BroughtRecord[], teacherId: string): BroughtRecord[] {
  let kept: unknown = records;
  for (const studentId of erasedStudents(sql, teacherId))
    kept = forget(kept, { studentId, recordIds: new Set(), rename: (text) => text });
  const read = BroughtRecords.safeParse(kept);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw new NotBrought(`${issue?.path.join('.') ?? ''} ${issue?.message ?? ''}`.trim());
}

function writePart(
  sql: Sql,
  kind: BulkKind,
  part: readonly BroughtRecord[],
  word: Word,
  arrival: Arrival,
): void {
  const { teacherId } = arrival;
  const wanted = bulkEdits[kind](withoutErased(sql, part, teacherId));
  const { edits: done, scopes } = writeEdits(sql, wanted, { teacherId, kind, heard: arrival.heard }, word);
  for (const scopeId of scopes) touch(sql, scopeId, word.stamp.by);
  if (kind === 'archive.bring') {
    const letters = done.filter(({ op, table }) => op === 'make' && table === 'message');
    // They went out where they were written, and must not go out here once more: in the same transaction, so that
    // there is no moment in which they wait.
    const ids = letters.map(({ id }) => id);
    addLettersFromElsewhere(sql, ids, arrival.receivedAt);
  }
}

/**
 * Writes many records, a part at a time, each in one transaction. The log gets one line, with the first of them, that
 * says how many of which kind: which they were stands in their stamps, so that all are taken back as one.
 * @param told is called with the share that is done
 * @returns the change's id @throws NotBrought
 */
export async function writeInBulk(
  { database, clock, teacherId, heard }: Place,
  kind: BulkKind,
  records: readonly BroughtRecord[],
  told: (share: number) => void = () => undefined,
): Promise<string> {
  const at = new Date(clock()).toISOString();
  const line = { id: ulid(clock()), kind, madeAt: at, device: 'archive' };
  const arrival = { teacherId, receivedAt: at, ...(heard && { heard }) };
  // Nothing said before overrules it, whatever clocks say.
  const word = { stamp: { at, by: line.id }, isOwn: () => true };
  const payload = { counts: manifestOf(records) };
  let written = 0;
  try {
    do {
      const part = records.slice(written, written + partLength);
      await database.write((sql) => {
        if (written === 0) writeLine(sql, { ...line, payload }, arrival, 'archive', []);
        writePart(sql, kind, part, word, arrival);
      });
      written += partLength;
      told(Math.min(1, written / Math.max(1, records.length)));
    } while (written < records.length);
  } catch (error) {
    if (written > 0) await tellEnd({ database, clock, teacherId }).catch(() => undefined);
    const isRefused =
      error instanceof MissingRecord || error instanceof DanglingReference || error instanceof NotAllowed;
    throw isRefused ? new NotBrought(error.message) : error;
  }
  if (written > partLength) await tellEnd({ database, clock, teacherId });
  return line.id;
}

/** A view is as new as the last line of the log: one that was asked for between two parts must not pass for whole. */
async function tellEnd({ database, clock, teacherId }: Place): Promise<void> {
  const at = new Date(clock()).toISOString();
  const line = { id: ulid(clock()), kind: 'archive.end', madeAt: at, device: 'archive', payload: {} };
  await database.write((sql) => {
    writeLine(sql, line, { teacherId, receivedAt: at }, 'archive', []);
  });
}
