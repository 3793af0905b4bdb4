import { broughtRecord, type BroughtRecord } from '@slate-path/core/archive/changes';
import type { RecordLists } from '@slate-path/core/records/records';
import type { RecordOf, School, TableName } from '@slate-path/core/records/schema';
import { tableNames } from '@slate-path/core/records/tables';
import { load } from '../views/load';
import { applyHere, applyInParts, type Place } from './inParts';
import type { ArchiveRead } from './readFile';

/** What ships with a new account and is not in the archive would stand twice beside the archive's own. */
async function shippedAndUnused(
  { database, teacherId }: Place,
  records: RecordLists,
): Promise<BroughtRecord[]> {
  const [sections, students] = await Promise.all([
    load(database.read, 'section', { teacherId }),
    load(database.read, 'student', { teacherId }),
  ]);
  if (sections.length + students.length > 0) return [];
  const found: BroughtRecord[] = [];
  for (const table of ['standing', 'lookFor', 'focus'] as const) {
    if ((records[table] ?? []).length === 0) continue;
    const own = new Set((records[table] ?? []).map(({ id }) => id));
    for (const row of await load(database.read, table, { teacherId }))
      if (!own.has(row.id)) found.push(broughtRecord(table, { ...row, removed: true }));
  }
  return found;
}

/** An archive without a term has one all the same, for its lessons lie in it. */
function withTerm(records: RecordLists): RecordLists {
  const dates = (records.lesson ?? []).map(({ date }) => date).sort();
  const [startsOn, endsOn] = [dates[0], dates.at(-1)];
  if ((records.term ?? []).length > 0 || startsOn === undefined || endsOn === undefined) return records;
  return { ...records, term: [{ id: `term/${startsOn}`, name: 'Term', startsOn, endsOn, removed: false }] };
}

/**
 * Brings an archive's records in, through the one door like everything else, a part at a time. What is there
 * already stays as it is, so that the same archive twice changes nothing.
 * @param told is called with the share that is done
 * @returns how many records were brought
 */
export async function bringArchive(
  place: Place,
  read: Pick<ArchiveRead, 'records' | 'zone'>,
  told: (share: number) => void = () => undefined,
): Promise<number> {
  const { database, teacherId } = place;
  const records = withTerm(read.records);
  const [school] = await load(database.read, 'school', { teacherId });
  const archived: School | undefined = records.school?.[0];
  if (school) {
    const { name, zone, graceMinutes } = archived ?? { ...school, zone: read.zone };
    await applyHere(place, 'school.set', { id: school.id, name, zone, graceMinutes });
  }
  const all = [
    ...(await shippedAndUnused(place, records)),
    ...tableNames
      .filter((table) => table !== 'school')
      .flatMap((table) =>
        ((records[table] ?? []) as RecordOf<TableName>[]).map((row) => broughtRecord(table, row)),
      ),
  ];
  await applyInParts(place, 'archive.bring', all, told);
  return all.length;
}
