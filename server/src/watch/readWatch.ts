import { groupBy } from '@slate-path/core/records/groupBy';
import type { Mark } from '@slate-path/core/records/schema';
import { rollBookOf } from '@slate-path/core/roll/book';
import { watchList, type WatchItem } from '@slate-path/core/watch/watchList';
import { RecordReader } from '../database/readRecords';

export interface WatchRequest {
  file: string;
  teacherId: string;
}

export interface WatchReading {
  items: WatchItem[];
  /** The marks of those who are listed. */
  mark: Mark[];
}

/** The watch list of a teacher's classes, read in a worker: a year's marks are many. */
export function readWatch({ file, teacherId }: WatchRequest): WatchReading {
  const records = new RecordReader(file);
  try {
    const own = '"teacherId" = ? AND NOT "removed"';
    const marks = records.all('mark', own, [teacherId]);
    const book = rollBookOf({
      marks,
      standings: records.all('standing', '"teacherId" = ?', [teacherId]),
      sections: records.all('section', '"teacherId" = ?', [teacherId]),
      school: records.all('school', '"teacherId" = ?', [teacherId])[0],
    });
    const items = watchList({
      enrolments: records.all('enrolment', own, [teacherId]),
      lessons: records.all('lesson', own, [teacherId]),
      book,
    });
    const marksOf = groupBy(marks, ({ studentId }) => studentId);
    const listed = new Set(items.map(({ studentId }) => studentId));
    return { items, mark: [...listed].flatMap((studentId) => marksOf.get(studentId) ?? []) };
  } finally {
    records.close();
  }
}
