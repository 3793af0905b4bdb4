import { setImmediate } from 'node:timers/promises';
import { ulid } from 'ulid';
import { mostBrought, type BroughtRecord } from '@slate-path/core/archive/changes';
import type { RecordLists } from '@slate-path/core/records/records';
import type { RecordOf, School, TableName } from '@slate-path/core/records/schema';
import { tableNames } from '@slate-path/core/records/tables';
import { applyChange } from '../changes/applyChange';
import type { OpenDatabase } from '../database/open';
import type { Clock } from '../services';
import { load } from '../views/load';
import type { ArchiveRead } from './readFile';

/** Records that are brought at once: the server is held up for so many at a time. */
const partLength = mostBrought / 4;

interface Place {
  database: OpenDatabase;
  clock: Clock;
  teacherId: string;
}

/** What an archive could not bring in, with the reason; what came before it is kept, and may be brought again. */
export class NotBrought extends Error {}

const brought = (table: TableName, { id, removed, ...values }: RecordOf<TableName>) =>
  ({ table, id, removed, values }) as unknown as BroughtRecord;

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
      if (!own.has(row.id)) found.push(brought(table, { ...row, removed: true }));
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
  const { database, clock, teacherId } = place;
  const arrival = { teacherId, receivedAt: new Date(clock()).toISOString() };
  const apply = async (kind: string, payload: object) => {
    const change = { id: ulid(clock()), madeAt: arrival.receivedAt, device: 'archive', kind, payload };
    const { outcome, reason, errors } = await applyChange(database, change, arrival);
    if (outcome === 'refused')
      throw new NotBrought([reason, ...errors.map(({ message }) => message)].join(' '));
  };
  const records = withTerm(read.records);
  const [school] = await load(database.read, 'school', { teacherId });
  const archived: School | undefined = records.school?.[0];
  if (school) {
    const { name, zone, graceMinutes } = archived ?? { ...school, zone: read.zone };
    await apply('school.set', { id: school.id, name, zone, graceMinutes });
  }
  const all = [
    ...(await shippedAndUnused(place, records)),
    ...tableNames
      .filter((table) => table !== 'school')
      .flatMap((table) =>
        ((records[table] ?? []) as RecordOf<TableName>[]).map((row) => brought(table, row)),
      ),
  ];
  for (let from = 0; from < all.length; from += partLength) {
    await apply('archive.bring', { records: all.slice(from, from + partLength) });
    told(Math.min(1, (from + partLength) / all.length));
    // The database answers at once, so that without a pause nobody else would have a turn until the end.
    await setImmediate();
  }
  return all.length;
}
