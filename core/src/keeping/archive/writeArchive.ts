import { strToU8, zipSync } from 'fflate';
import Papa from 'papaparse';
import type { z } from 'zod';
import { guardFormulas } from '../../formats/formulas';
import {
  archiveTableNames,
  archiveTables,
  formulaGuard,
  isText,
  type Archive,
  type ArchiveTableName,
} from './tables';

/** A file's day in the zip: always the same, so that the same data make the same archive. */
const noDay = new Date(1980, 0, 1, 12);

interface ColumnMeta {
  type?: string;
  format?: string;
}

function fieldOf(name: string, cell: z.ZodType) {
  const { type = 'string', format } = (cell.meta() ?? {}) as ColumnMeta;
  return { name, type, ...(format ? { format } : {}) };
}

function resourceOf(table: ArchiveTableName) {
  const { row, key, pointsAt } = archiveTables[table];
  const foreignKeys = Object.entries(pointsAt as Record<string, ArchiveTableName>).map(
    ([fields, resource]) => ({
      fields,
      reference: { resource, fields: 'id' },
    }),
  );
  return {
    name: table,
    path: `${table}.csv`,
    profile: 'tabular-data-resource',
    encoding: 'utf-8',
    schema: {
      fields: Object.entries(row.shape).map(([name, cell]) => fieldOf(name, cell as z.ZodType)),
      ...(key.length === 1 ? { primaryKey: key[0] } : {}),
      ...(foreignKeys.length > 0 ? { foreignKeys } : {}),
    },
  };
}

/** Text is guarded, for people open such files too, and the package says so: reading it takes the guards away. */
function csvOf(table: ArchiveTableName, rows: readonly Record<string, unknown>[]): string {
  const shape = Object.entries(archiveTables[table].row.shape);
  const columns = shape.map(([name]) => name);
  const cells = rows.map((row) =>
    shape.map(([name, cell]) => {
      const value = row[name] ?? '';
      return typeof value === 'string' && isText(cell as z.ZodType) ? guardFormulas(value) : value;
    }),
  );
  return Papa.unparse([columns, ...cells], { newline: '\r\n' }) + '\r\n';
}

/**
 * Writes an archive: a Frictionless Tabular Data Package in a zip, files without rows left out.
 * The same data give the same bytes.
 * @param timezone IANA name of the zone that its local times are in
 */
export function writeArchive(archive: Archive, timezone: string): Uint8Array {
  const filled = archiveTableNames.filter((table) => archive[table].length > 0);
  const description = {
    profile: 'tabular-data-package',
    name: 'slate-path-archive',
    timezone,
    formulaGuard,
    resources: filled.map(resourceOf),
  };
  const files = filled.map((table) => [`${table}.csv`, strToU8(csvOf(table, archive[table]))] as const);
  return zipSync(
    { 'datapackage.json': strToU8(JSON.stringify(description, null, 2)), ...Object.fromEntries(files) },
    { mtime: noDay },
  );
}
