import { fromRecords } from '@slate-path/core/keeping/archive/fromRecords';
import { ofClass } from '@slate-path/core/keeping/archive/ofClass';
import { writeArchive } from '@slate-path/core/keeping/archive/writeArchive';
import { localMoment } from '@slate-path/core/calendar/zone';
import { RecordReader } from '../../database/readRecords';

export interface ArchiveFileRequest {
  file: string;
  teacherId: string;
  /** Only this class, to be handed over. */
  sectionId?: string | undefined;
  now: number;
}

/** Everything that somebody may read, or one class of it, as an archive. */
export function archiveFile({ file, teacherId, sectionId, now }: ArchiveFileRequest): Uint8Array {
  const records = new RecordReader(file);
  try {
    const all = records.everythingFor(teacherId);
    const lists = sectionId === undefined ? all : ofClass(all, sectionId);
    const zone = lists.school?.[0]?.zone ?? 'UTC';
    return writeArchive(fromRecords(lists, { zone, now: localMoment(now, zone) }), zone);
  } finally {
    records.close();
  }
}
