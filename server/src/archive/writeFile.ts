import { fromRecords } from '@slate-path/core/archive/fromRecords';
import { writeArchive } from '@slate-path/core/archive/writeArchive';
import { localMoment } from '@slate-path/core/calendar/zone';
import type { RecordLists } from '@slate-path/core/records/records';
import { tableNames } from '@slate-path/core/records/tables';
import { RecordReader } from '../database/readRecords';

export interface ArchiveFileRequest {
  file: string;
  teacherId: string;
  now: number;
}

/** Everything a teacher has, as an archive. */
export function archiveFile({ file, teacherId, now }: ArchiveFileRequest): Uint8Array {
  const records = new RecordReader(file);
  try {
    const lists = Object.fromEntries(
      tableNames.map((table) => [table, records.all(table, '"teacherId" = ?', [teacherId])]),
    ) as RecordLists;
    const zone = lists.school?.[0]?.zone ?? 'UTC';
    return writeArchive(fromRecords(lists, { zone, now: localMoment(now, zone) }), zone);
  } finally {
    records.close();
  }
}
