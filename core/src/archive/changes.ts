import { z } from 'zod';
import { changeKind } from '../changes/kind';
import { Id, recordFields, type FieldsOf, type RecordOf, type TableName } from '../records/schema';
import { tableNames } from '../records/tables';

/** A record of an archive as it is brought in. */
export type BroughtRecord = {
  [T in TableName]: { table: T; id: string; removed: boolean; values: FieldsOf<T> };
}[TableName];

/** A record as a change carries it. */
export const broughtRecord = (table: TableName, { id, removed, ...values }: RecordOf<TableName>) =>
  ({ table, id, removed, values }) as unknown as BroughtRecord;

const [first, ...others] = tableNames.map((table) =>
  z.strictObject({ table: z.literal(table), id: Id, removed: z.boolean(), values: recordFields[table] }),
);
const Brought = z.discriminatedUnion('table', [
  first as NonNullable<typeof first>,
  ...others,
]) as unknown as z.ZodType<BroughtRecord>;

/** Where the history of what an archive brought is found. */
export const archiveHistory = 'archive';
export const mostBrought = 1000;

const records = z.array(Brought).min(1).max(mostBrought);

export const archiveChanges = {
  // A part of an archive; what is there already stays as it is.
  'archive.bring': changeKind(z.strictObject({ records }), () => archiveHistory),
  // A part of what a backup holds; it goes before what is there.
  'archive.goBack': changeKind(z.strictObject({ records }), () => archiveHistory),
};
