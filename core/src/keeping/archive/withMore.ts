import { z } from 'zod';
import type { RecordLists } from '../../records/records';
import { tableNames } from '../../records/tables';
import { fromOlderTasks } from '../../work/own/olderTasks';
import { derivedId, within } from './derivedId';
import type { Archive } from './tables';

const Fields = z.record(z.string(), z.unknown());

/** A record that an archive holds and that cannot be one here: where it stands, and why. */
export interface RecordProblem {
  file: string;
  line: number | null;
  reason: string;
}

interface AnyRecord extends Record<string, unknown> {
  id: string;
}

/** Lays what the format has no place for over the records of its files. */
export function withMore(
  lists: RecordLists,
  { more, days_off: daysOff }: Archive,
  problems: RecordProblem[],
): RecordLists {
  const byTable = new Map<string, Map<string, AnyRecord>>();
  for (const table of tableNames)
    byTable.set(table, new Map((lists[table] ?? []).map((record) => [record.id, record as AnyRecord])));
  const daysFromMore: AnyRecord[] = [];
  for (const { table, id, fields, line } of more.flatMap(fromOlderTasks)) {
    const records = byTable.get(table);
    const read = records ? readFields(fields) : null;
    if (!records || !read) {
      problems.push({
        file: 'more.csv',
        line,
        reason: records ? 'fields is no JSON object' : `there is no table ${table}`,
      });
      continue;
    }
    const found = { removed: false, ...records.get(id), id, ...read };
    records.delete(id);
    records.set(found.id, found);
    if (table === 'dayOff') daysFromMore.push(found);
  }
  // Days off that stand in `more`, often as ranges, are not days off once again, one by one.
  for (const { date, name } of daysOff)
    if (
      daysFromMore.some(
        (range) =>
          range['name'] === name && String(range['startsOn']) <= date && date <= String(range['endsOn']),
      )
    )
      byTable.get('dayOff')?.delete(within(derivedId.dayOff(date, name)));
  return Object.fromEntries(tableNames.map((table) => [table, [...(byTable.get(table)?.values() ?? [])]]));
}

function readFields(text: string): Record<string, unknown> | null {
  try {
    const read = Fields.safeParse(JSON.parse(text));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}
