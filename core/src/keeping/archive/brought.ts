import { z } from 'zod';
import { Id, recordFields, type FieldsOf, type RecordOf, type TableName } from '../../records/schema';
import { tableNames } from '../../records/tables';

/** A record of an archive or a backup as it is written here. */
export type BroughtRecord = {
  [T in TableName]: { table: T; id: string; removed: boolean; values: FieldsOf<T> };
}[TableName];

export const broughtRecord = (table: TableName, { id, removed, ...values }: RecordOf<TableName>) =>
  ({ table, id, removed, values }) as unknown as BroughtRecord;

const [first, ...others] = tableNames.map((table) =>
  z.strictObject({ table: z.literal(table), id: Id, removed: z.boolean(), values: recordFields[table] }),
);

export const BroughtRecords = z.array(
  z.discriminatedUnion('table', [first as NonNullable<typeof first>, ...others]),
) as unknown as z.ZodType<BroughtRecord[]>;

/** How many records of each kind were written in bulk: all that the log keeps of them. */
export type Manifest = Partial<Record<TableName, number>>;

export function manifestOf(records: readonly BroughtRecord[]): Manifest {
  const counts: Manifest = {};
  for (const { table } of records) counts[table] = (counts[table] ?? 0) + 1;
  return counts;
}
