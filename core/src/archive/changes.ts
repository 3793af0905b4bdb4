import { z } from 'zod';
import { changeKind } from '../changes/kind';
import { Id, recordFields, type FieldsOf, type TableName } from '../records/schema';
import { tableNames } from '../records/tables';

/** A record of an archive as it is brought in. */
export type BroughtRecord = {
  [T in TableName]: { table: T; id: string; removed: boolean; values: FieldsOf<T> };
}[TableName];

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

export const archiveChanges = {
  // A part of an archive; what is there already stays as it is.
  'archive.bring': changeKind(
    z.strictObject({ records: z.array(Brought).min(1).max(mostBrought) }),
    () => archiveHistory,
  ),
};
