import { fromRecords } from '@slate-path/core/keeping/archive/fromRecords';
import { writeArchive } from '@slate-path/core/keeping/archive/writeArchive';
import { localMoment } from '@slate-path/core/calendar/zone';
import { RecordReader } from '../../database/readRecords';

export interface ArchiveFileRequest {
  file: string;
  teacherId: string;
  now: number;
}

/** Everything that somebody may read, as an archive. */
export function archiveFile({ file, teacherId, now }: ArchiveFileRequest): Uint8Array {
  const records = new RecordReader(file);
  try {
    const lists = records.everythingFor(teacherId);
    const zone = lists.school?.[0]?.zone ?? 'UTC';
    return writeArchive(fromRecords(lists, { zone, now: localMoment(now, zone) }), zone);
  } finally {
    records.close();
  }
}
