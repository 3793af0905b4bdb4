import { archiveTableNames, type Archive } from '@slate-path/core/keeping/archive/tables';

const isId = (column: string) => /(^|_)id$/.test(column);

/** Ids in the fields of a record that the format has no file for. */
const inFields = (fields: string, prefix: string) =>
  JSON.stringify(JSON.parse(fields), (key, value: unknown) =>
    key.endsWith('Id') && typeof value === 'string' ? prefix + value : value,
  );

/** A simulated class with ids that begin so: several of them go into one archive. */
export function withOwnIds(archive: Archive, prefix: string): Archive {
  const own = (row: object) =>
    Object.fromEntries(
      Object.entries(row).map(([column, value]: [string, unknown]) => {
        if (typeof value !== 'string') return [column, value];
        if (column === 'fields') return [column, inFields(value, prefix)];
        return [column, isId(column) ? prefix + value : value];
      }),
    );
  return Object.fromEntries(
    archiveTableNames.map((table) => [table, archive[table].map(own)]),
  ) as unknown as Archive;
}
