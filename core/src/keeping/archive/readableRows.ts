import type { z } from 'zod';
import { findContradictions } from './contradictions';
import {
  archiveTableNames,
  archiveTables,
  type Archive,
  type ArchiveTable,
  type ArchiveTableName,
} from './tables';

/** A file's rows that are not written, by their place in it. */
export type Dropped = Map<ArchiveTableName, Set<number>>;

type Row = Record<string, unknown>;

/** A value as its cell has it. */
const cellOf = (value: unknown) =>
  value === null || value === undefined ? '' : `${value as string | number | boolean}`;

/** Rows that their own schema would refuse, and those that say again what a row before them says. */
function unreadable(rows: readonly Row[], { row: schema, key }: ArchiveTable): number[] {
  const seen = new Set<string>();
  return rows.flatMap((row, index) => {
    const cells = Object.fromEntries(Object.keys(schema.shape).map((name) => [name, cellOf(row[name])]));
    const read = (schema as z.ZodType<Row>).safeParse(cells);
    if (!read.success) return [index];
    const found = JSON.stringify(key.map((column) => read.data[column]));
    if (key.length > 0 && seen.has(found)) return [index];
    seen.add(found);
    return [];
  });
}

function pointingNowhere(archive: Record<ArchiveTableName, Row[]>, table: ArchiveTableName): number[] {
  const pointers = Object.entries((archiveTables[table] as unknown as ArchiveTable).pointsAt).map(
    ([column, target]) => [column, new Set(archive[target].map(({ id }) => id))] as const,
  );
  return archive[table].flatMap((row, index) =>
    pointers.some(([column, known]) => row[column] !== null && !known.has(row[column])) ? [index] : [],
  );
}

/**
 * Leaves out of an archive's files what reading them would refuse (two lessons of a class at the same time, somebody
 * away who arrived, an end before its beginning) and what points at it: those records are told whole in `more`.
 * @returns the places of what was left out
 */
export function dropUnreadable(archive: Archive): Dropped {
  const rows = archive as unknown as Record<ArchiveTableName, Row[]>;
  const dropped: Dropped = new Map();
  const places = new Map(archiveTableNames.map((table) => [table, rows[table].map((_, index) => index)]));
  const drop = (table: ArchiveTableName, indices: readonly number[]) => {
    if (indices.length === 0) return false;
    const gone = new Set(indices);
    const own = places.get(table) ?? [];
    const known = dropped.get(table) ?? new Set();
    for (const index of gone) known.add(own[index] ?? -1);
    dropped.set(table, known);
    rows[table] = rows[table].filter((_, index) => !gone.has(index));
    places.set(
      table,
      own.filter((_, index) => !gone.has(index)),
    );
    return true;
  };
  for (const table of archiveTableNames)
    drop(table, unreadable(rows[table], archiveTables[table] as unknown as ArchiveTable));
  const numbered = Object.fromEntries(
    archiveTableNames.map((table) => [table, rows[table].map((row, line) => ({ ...row, line }))]),
  ) as unknown as Archive;
  const contradictions = findContradictions(numbered);
  for (const table of archiveTableNames)
    drop(
      table,
      contradictions.filter(({ file }) => file === `${table}.csv`).map(({ line }) => line ?? -1),
    );
  // What pointed at a row that is gone points nowhere; until nothing does.
  while (archiveTableNames.map((table) => drop(table, pointingNowhere(rows, table))).some(Boolean));
  return dropped;
}
