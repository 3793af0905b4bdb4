import type { RecordOf, TableName } from '@slate-path/core/records/schema';
import { recordEntities, type Row } from './entities';
import type { Sql } from './sql';

/** How the rows of a table are written: by plain SQL of the kind every database speaks. */
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
  { teacherId: _maker, scopeId: _place, stamps: _stamps, ...columns }: Record<string, unknown>,
): RecordOf<T> {
  const { flags, json } = shapeOf(table);
  for (const flag of flags) columns[flag] = Boolean(columns[flag]);
  for (const name of json) if (name in columns) columns[name] = JSON.parse(String(columns[name]));
  return columns as unknown as RecordOf<T>;
}

/** The values of a row as they stand in its table. */
export function toColumns(table: TableName, row: Row): unknown[] {
  const { columns, flags, json } = shapeOf(table);
  return columns.map((name) => {
    if (json.has(name)) return JSON.stringify(row[name]);
    return flags.has(name) ? (row[name] ? 1 : 0) : (row[name] ?? null);
  });
}

export function selectRow(sql: Sql, table: TableName, id: string): Row | undefined {
  const found = sql.get<Record<string, unknown>>(`SELECT * FROM "${table}" WHERE "id" = ?`, id);
  return found && fromColumns(table, found);
}

/** Where a row belongs; undefined where there is none. */
export function selectScope(sql: Sql, table: TableName, id: string): string | undefined {
  return sql.get<{ scopeId: string }>(`SELECT "scopeId" FROM "${table}" WHERE "id" = ?`, id)?.scopeId;
}

export function insertRow(sql: Sql, table: TableName, row: Row): void {
  const { columns } = shapeOf(table);
  const names = columns.map((name) => `"${name}"`).join(', ');
  const places = columns.map(() => '?').join(', ');
  sql.run(`INSERT INTO "${table}" (${names}) VALUES (${places})`, ...toColumns(table, row));
}

/** Writes what is other than it was: a column that stays costs nothing, nor do its indices. */
export function updateRow(sql: Sql, table: TableName, before: unknown[], row: Row): void {
  const { columns } = shapeOf(table);
  const after = toColumns(table, row);
  const changed = columns.flatMap((name, index) => (after[index] === before[index] ? [] : [{ name, index }]));
  if (changed.length === 0) return;
  const sets = changed.map(({ name }) => `"${name}" = ?`).join(', ');
  const values = changed.map(({ index }) => after[index]);
  sql.run(`UPDATE "${table}" SET ${sets} WHERE "id" = ?`, ...values, row.id);
}
