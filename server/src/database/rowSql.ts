import type { EntityManager } from 'typeorm';
import type { RecordOf, TableName } from '@slate-path/core/records/schema';
import { recordEntities, type Row } from './entities';

/**
 * Rows read and written by plain SQL (of the kind every database speaks): the one door for writes
 * goes through here for every mark, and a query builder would take longer than the disk.
 */
interface Shape {
  columns: string[];
  flags: ReadonlySet<string>;
  json: ReadonlySet<string>;
}

const shapes = new Map<TableName, Shape>();

function shapeOf(table: TableName): Shape {
  const known = shapes.get(table);
  if (known) return known;
  const entries = Object.entries(recordEntities[table].options.columns);
  const flags = entries.filter(([, column]) => column?.type === 'boolean').map(([name]) => name);
  const json = entries.filter(([, column]) => column?.type === 'simple-json').map(([name]) => name);
  const shape = { columns: entries.map(([name]) => name), flags: new Set(flags), json: new Set(json) };
  shapes.set(table, shape);
  return shape;
}

function fromColumns(table: TableName, found: Record<string, unknown>): Row {
  const row = { ...found } as Row;
  const { flags, json } = shapeOf(table);
  for (const flag of flags) row[flag] = Boolean(found[flag]);
  for (const name of json) row[name] = JSON.parse(String(found[name]));
  return row;
}

/** A record from its columns, without what only the server needs. */
export function recordOfColumns<T extends TableName>(
  table: T,
  { teacherId: _owner, stamps: _stamps, ...columns }: Record<string, unknown>,
): RecordOf<T> {
  const { flags, json } = shapeOf(table);
  for (const flag of flags) columns[flag] = Boolean(columns[flag]);
  for (const name of json) if (name in columns) columns[name] = JSON.parse(String(columns[name]));
  return columns as unknown as RecordOf<T>;
}

function toColumns(table: TableName, row: Row): unknown[] {
  const { columns, flags, json } = shapeOf(table);
  return columns.map((name) => {
    if (json.has(name)) return JSON.stringify(row[name]);
    return flags.has(name) ? (row[name] ? 1 : 0) : (row[name] ?? null);
  });
}

const marks = (count: number) => Array.from({ length: count }, () => '?').join(', ');

/** The rows of a table that have one of these ids; at most some hundred ids. */
export async function selectRows(manager: EntityManager, table: TableName, ids: string[]): Promise<Row[]> {
  if (ids.length === 0) return [];
  const sql = `SELECT * FROM "${table}" WHERE "id" IN (${marks(ids.length)})`;
  const found = await manager.query<Record<string, unknown>[]>(sql, ids);
  return found.map((columns) => fromColumns(table, columns));
}

export async function insertRow(manager: EntityManager, table: TableName, row: Row): Promise<void> {
  const { columns } = shapeOf(table);
  const names = columns.map((name) => `"${name}"`).join(', ');
  await manager.query(
    `INSERT INTO "${table}" (${names}) VALUES (${marks(columns.length)})`,
    toColumns(table, row),
  );
}

export async function updateRow(manager: EntityManager, table: TableName, row: Row): Promise<void> {
  const { columns } = shapeOf(table);
  const sets = columns.map((name) => `"${name}" = ?`).join(', ');
  await manager.query(`UPDATE "${table}" SET ${sets} WHERE "id" = ?`, [...toColumns(table, row), row.id]);
}
