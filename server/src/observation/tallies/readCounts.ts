import { listedFirst } from '@slate-path/core/observation/tallies/lookFors';
import { classCounts, type ClassCounts } from '@slate-path/core/observation/tallies/classCounts';
import type { LookFor, Student } from '@slate-path/core/records/schema';
import { notRemoved, RecordReader } from '../../database/readRecords';
import { rollsOf, type RollRange, type RollReading } from '../../attendance/roll/readRoll';

export type CountRange = RollRange & { sectionId: string };

export interface CountReading {
  seen: ClassCounts;
  /** Those of this class or of all, in their order; retired ones only where they were counted. */
  lookFors: LookFor[];
  students: readonly Student[];
  /** How often each student had a turn and spoke. */
  spoke: { lessonId: string; studentId: string }[];
}

/** What was seen in a class over some days, in fifteen queries however much it is. */
export function readCounts({ file, ...range }: CountRange): CountReading {
  const reader = new RecordReader(file);
  try {
    return countsOf(reader, range, rollsOf(reader, range));
  } finally {
    reader.close();
  }
}

/** The same by a connection that is open, with the class's roll of those days. */
export function countsOf(
  reader: RecordReader,
  range: Omit<CountRange, 'file'>,
  { classes }: Pick<RollReading, 'classes'>,
): CountReading {
  const roll = classes.find(({ section }) => section.id === range.sectionId)?.roll;
  if (!roll)
    return { seen: { lessons: [], counts: [], exposures: [] }, lookFors: [], students: [], spoke: [] };
  const { teacherId, sectionId, from, to } = range;
  const inRange =
    'NOT "removed" AND "lessonId" IN (SELECT "id" FROM "lesson" WHERE "sectionId" = ? AND "date" BETWEEN ? AND ?) ORDER BY rowid';
  const values = [sectionId, from, to];
  const all = reader.seenBy(teacherId, 'lookFor');
  const [school] = reader.seenBy(teacherId, 'school', notRemoved);
  const seen = classCounts(roll, {
    tallies: reader.all('tally', inRange, values),
    tallyings: reader.all('tallying', inRange, values),
    lookFors: Object.fromEntries(all.map((lookFor) => [lookFor.id, lookFor])),
    zone: school?.zone ?? 'UTC',
  });
  const counted = new Set(seen.counts.map(({ lookForId }) => lookForId));
  const offered = all.filter(({ id, removed, sectionId: own }) =>
    removed ? counted.has(id) : own === null || own === sectionId || counted.has(id),
  );
  const spoke = reader.all('turn', inRange, values).filter(({ outcome }) => outcome === 'spoke');
  return {
    seen,
    lookFors: offered.sort(listedFirst),
    students: roll.students,
    spoke: spoke.map(({ lessonId, studentId }) => ({ lessonId, studentId })),
  };
}
