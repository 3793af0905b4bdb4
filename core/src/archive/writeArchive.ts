import { strToU8, zipSync } from 'fflate';
import Papa from 'papaparse';
import type { z } from 'zod';
import { archiveTableNames, archiveTables, type Archive, type ArchiveTableName } from './tables';

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

/** Cells as they are, also those that a table program would run: an archive is for reading back, not for opening. */
function csvOf(table: ArchiveTableName, rows: readonly Record<string, unknown>[]): string {
  const columns = Object.keys(archiveTables[table].row.shape);
  const cells = rows.map((row) => columns.map((column) => row[column] ?? ''));
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
    resources: filled.map(resourceOf),
  };
  const files = filled.map((table) => [`${table}.csv`, strToU8(csvOf(table, archive[table]))] as const);
  return zipSync(
    { 'datapackage.json': strToU8(JSON.stringify(description, null, 2)), ...Object.fromEntries(files) },
    { mtime: noDay },
  );
}
