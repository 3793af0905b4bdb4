import { NotAnArchive, readArchive } from '@slate-path/core/keeping/archive/readArchive';
import { archiveTableNames } from '@slate-path/core/keeping/archive/tables';
import { toRecords } from '@slate-path/core/keeping/archive/toRecords';
import { leaveOut } from '@slate-path/core/keeping/erasure/leaveOut';
import type { RecordLists } from '@slate-path/core/records/records';

export interface ArchiveReadRequest {
  bytes: Uint8Array;
  /** Of the school; the archive's own, where it has one, goes before. */
  zone: string;
  /** Students who were erased here. */
  erased?: readonly string[];
  /** They are left out, and their names in what others have; otherwise they come along. */
  leavesErasedOut?: boolean;
}

export interface ArchiveRead {
  zone: string;
  records: RecordLists;
  /** Rows by file. */
  counts: { file: string; rows: number }[];
  /** With file and line; anything here means that nothing is brought in. */
  errors: string[];
  notes: string[];
  /** Students in it who were erased here. */
  erased: string[];
}

/** Reads an archive to bring it in. @returns `refused` with a sentence for what is none */
export function readArchiveFile({
  bytes,
  zone,
  erased: erasedHere = [],
  leavesErasedOut = true,
}: ArchiveReadRequest): { refused: string } | ArchiveRead {
  try {
    const { archive, timezone, errors, notes } = readArchive(bytes);
    const said = errors.map(
      ({ file, line, reason }) => `${file}${line === null ? '' : `:${line}`}: ${reason}`,
    );
    const counts = archiveTableNames.flatMap((name) =>
      archive[name].length === 0 || name === 'more'
        ? []
        : [{ file: `${name}.csv`, rows: archive[name].length }],
    );
    if (said.length > 0)
      return { zone: timezone ?? zone, records: {}, counts, errors: said, notes, erased: [] };
    const { records, problems } = toRecords(archive, timezone ?? zone);
    const wrong = problems
      .slice(0, 100)
      .map(({ file, line, reason }) => `${file}${line === null ? '' : `:${line}`}: ${reason}`);
    const known = new Set(erasedHere);
    const erased = (records.student ?? []).map(({ id }) => id).filter((id) => known.has(id));
    const kept = leavesErasedOut ? leaveOut(records, erased) : records;
    return { zone: timezone ?? zone, records: kept, counts, errors: wrong, notes, erased };
  } catch (error) {
    if (error instanceof NotAnArchive) return { refused: error.message };
    throw error;
  }
}
