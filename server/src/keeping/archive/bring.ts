import { ulid } from 'ulid';
import { broughtRecord, type BroughtRecord } from '@slate-path/core/keeping/archive/brought';
import type { RecordLists } from '@slate-path/core/records/records';
import type { RecordOf, School, TableName, Term } from '@slate-path/core/records/schema';
import { tableNames } from '@slate-path/core/records/tables';
import { intoSchool } from '@slate-path/core/keeping/archive/intoSchool';
import { memberOf } from '../../scopes/access';
import { load } from '../../database/load';
import { applyChange } from '../../changes/applyChange';
import { NotBrought, writeInBulk, type Place } from '../../changes/bulk';
import type { ArchiveRead } from './readFile';

const isKeeperHere = ({ database, teacherId }: Pick<Place, 'database' | 'teacherId'>) =>
  memberOf(database.lookUp, teacherId)?.isKeeper === true;

/** What ships with a new account and is not in the archive would stand twice beside the archive's own. */
async function shippedAndUnused(
  { database, teacherId }: Place,
  records: RecordLists,
): Promise<BroughtRecord[]> {
  const [sections, students] = await Promise.all([
    load(database.read, 'section', teacherId, { removed: false }),
    load(database.read, 'student', teacherId, { removed: false }),
  ]);
  if (sections.length + students.length > 0 || !isKeeperHere({ database, teacherId })) return [];
  const found: BroughtRecord[] = [];
  for (const table of ['standing', 'lookFor', 'focus'] as const) {
    if ((records[table] ?? []).length === 0) continue;
    const own = new Set((records[table] ?? []).map(({ id }) => id));
    for (const row of await load(database.read, table, teacherId, { removed: false }))
      if (!own.has(row.id)) found.push(broughtRecord(table, { ...row, removed: true }));
  }
  return found;
}

/** The school as the archive has it: a change like any other. */
async function setSchool({ database, clock, teacherId }: Place, payload: object): Promise<string> {
  const receivedAt = new Date(clock()).toISOString();
  const change = { id: ulid(clock()), madeAt: receivedAt, device: 'archive', kind: 'school.set', payload };
  const { outcome, reason, errors } = await applyChange(database, change, { teacherId, receivedAt });
  if (outcome === 'refused')
    throw new NotBrought([reason, ...errors.map(({ message }) => message)].join(' '));
  return change.id;
}

/** An archive without a term has one all the same, for its lessons lie in it. */
function withTerm(records: RecordLists): RecordLists {
  const dates = (records.lesson ?? []).map(({ date }) => date).sort();
  const [startsOn, endsOn] = [dates[0], dates.at(-1)];
  if ((records.term ?? []).length > 0 || startsOn === undefined || endsOn === undefined) return records;
  return { ...records, term: [{ id: `term/${startsOn}`, name: 'Term', startsOn, endsOn, removed: false }] };
}

/**
 * A class that was handed over comes into a school that is set up; an archive of everything makes the school as it
 * was, where whoever brings it in looks after the school.
 */
async function fitted(place: Place, records: RecordLists, terms: readonly Term[]): Promise<RecordLists> {
  const isKeeper = isKeeperHere(place);
  if (isKeeper && (records.school !== undefined || terms.length === 0)) return withTerm(records);
  const standings = await load(place.database.read, 'standing', place.teacherId);
  return intoSchool(records, { terms, standings, isKeeper });
}

/**
 * Brings an archive's records in, in bulk. What is there already stays as it is, so that the same archive twice changes
 * nothing.
 * @param told is called with the share that is done
 * @returns how many records were brought, and by which changes all of it is taken back @throws NotBrought
 */
export async function bringArchive(
  place: Place,
  read: Pick<ArchiveRead, 'records' | 'zone'>,
  told: (share: number) => void = () => undefined,
): Promise<{ records: number; changeIds: string[] }> {
  const { database, teacherId } = place;
  const terms = await load(database.read, 'term', teacherId, { removed: false });
  const records = await fitted(place, read.records, terms);
  const [school] = await load(database.read, 'school', teacherId);
  const archived: School | undefined = records.school?.[0];
  const changeIds: string[] = [];
  if (school && isKeeperHere(place)) {
    const { name, zone, graceMinutes } = archived ?? {
      ...school,
      zone: terms.length > 0 ? school.zone : read.zone,
    };
    const isSame = school.name === name && school.zone === zone && school.graceMinutes === graceMinutes;
    if (!isSame) changeIds.push(await setSchool(place, { id: school.id, name, zone, graceMinutes }));
  }
  const all = [
    ...(await shippedAndUnused(place, records)),
    ...tableNames
      .filter((table) => table !== 'school')
      .flatMap((table) =>
        ((records[table] ?? []) as RecordOf<TableName>[]).map((row) => broughtRecord(table, row)),
      ),
  ];
  changeIds.unshift(await writeInBulk(place, 'archive.bring', all, told));
  return { records: all.length, changeIds };
}
