import type { RecordLists } from '../../records/records';
import type { RecordOf, TableName } from '../../records/schema';
import { references, tableNames } from '../../records/tables';
import { belongingOf } from '../../scopes/belonging';

type AnyRecord = RecordOf<TableName> & Record<string, unknown>;
type Lists = Partial<Record<TableName, readonly AnyRecord[]>>;

/** What a class is understood with, whoever teaches it. */
const common: readonly TableName[] = ['term', 'dayOff', 'standing'];

/** Words that records of the class point at: they go along, others of the teacher's do not. */
const pointedAt: readonly TableName[] = ['student', 'lookFor', 'focus', 'topic'];

/** By table: the ids of the records that belong to a class, each by what it hangs on. */
function belonging(lists: Lists, sectionId: string): Map<TableName, Set<string>> {
  const kept = new Map<TableName, Set<string>>(tableNames.map((table) => [table, new Set()]));
  for (const table of tableNames)
    for (const record of lists[table] ?? []) {
      const place = belongingOf(table, record);
      const isIn =
        typeof place === 'string'
          ? table === 'section' && record.id === sectionId
          : kept.get(place.table)?.has(place.id);
      if (isIn) kept.get(table)?.add(record.id);
    }
  return kept;
}

/** Adds to what is kept all that it points at, of the tables that go along. */
function followed(lists: Lists, kept: Map<TableName, Set<string>>): void {
  for (const table of tableNames.toReversed())
    for (const record of lists[table] ?? []) {
      if (!kept.get(table)?.has(record.id)) continue;
      for (const [field, target] of Object.entries(references[table] ?? {})) {
        const id = record[field];
        // A note may speak of somebody of another class: its words stay, the tie does not.
        if (typeof id === 'string' && pointedAt.includes(target) && table !== 'noteStudent')
          kept.get(target)?.add(id);
      }
    }
}

/** Does a record point only at what goes along? A class that was taught with another one is on its own then. */
function standsAlone(table: TableName, record: AnyRecord, kept: Map<TableName, Set<string>>): boolean {
  return Object.entries(references[table] ?? {}).every(([field, target]) => {
    const id = record[field];
    return (
      typeof id !== 'string' ||
      field === 'taughtWithId' ||
      common.includes(target) ||
      kept.get(target)?.has(id)
    );
  });
}

/**
 * The records of one class, to be handed over: the class with its timetable, students and guardians, everything that
 * was recorded of it, and the words that these need. Nothing of a person's own goes: not their notes, letters,
 * summaries, nor what belongs to their other classes; nor what the school is called, for the class comes to another one.
 * @param lists everything that its teacher may read
 */
export function ofClass(lists: RecordLists, sectionId: string): RecordLists {
  const all = lists as Lists;
  const kept = belonging(all, sectionId);
  for (const table of common) for (const record of all[table] ?? []) kept.get(table)?.add(record.id);
  // Twice: a word that was merged points at another one.
  followed(all, kept);
  followed(all, kept);
  for (const guardian of all.guardian ?? [])
    if (kept.get('student')?.has(String(guardian['studentId']))) kept.get('guardian')?.add(guardian.id);
  const handed: Lists = {};
  for (const table of tableNames)
    handed[table] = (all[table] ?? [])
      .filter((record) => kept.get(table)?.has(record.id) && standsAlone(table, record, kept))
      .map((record) => (table === 'section' ? { ...record, taughtWithId: null } : record));
  return handed as RecordLists;
}
