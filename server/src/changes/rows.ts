import type { EntityManager } from 'typeorm';
import { references, tableNames } from '@slate-path/core/records/tables';
import type { TableName } from '@slate-path/core/records/schema';
import type { Row } from '../database/entities';
import { insertRow, selectRows, updateRow } from '../database/rowSql';

/** As many ids as fit into one query. */
const mostPerQuery = 500;

function chunks<T>(items: T[], size: number): T[][] {
  return Array.from({ length: Math.ceil(items.length / size) }, (_, i) =>
    items.slice(i * size, (i + 1) * size),
  );
}

async function loadByIds(manager: EntityManager, table: TableName, ids: string[]): Promise<Row[]> {
  const found: Row[] = [];
  for (const some of chunks(ids, mostPerQuery)) found.push(...(await selectRows(manager, table, some)));
  return found;
}

/** The rows that one change works on, loaded in one query a table and written back the same way. */
export class Rows {
  private readonly found = new Map<string, Row>();
  private readonly made = new Set<string>();
  private readonly touched = new Set<string>();

  private constructor(private readonly manager: EntityManager) {}

  static async load(manager: EntityManager, wanted: { table: TableName; id: string }[]): Promise<Rows> {
    const rows = new Rows(manager);
    for (const table of tableNames) {
      const ids = [...new Set(wanted.filter((w) => w.table === table).map((w) => w.id))];
      if (ids.length === 0) continue;
      for (const row of await loadByIds(manager, table, ids)) rows.found.set(`${table} ${row.id}`, row);
    }
    return rows;
  }

  get(table: TableName, id: string): Row | undefined {
    return this.found.get(`${table} ${id}`);
  }

  make(table: TableName, row: Row): void {
    const key = `${table} ${row.id}`;
    this.found.set(key, row);
    this.made.add(key);
  }

  touch(table: TableName, id: string): void {
    this.touched.add(`${table} ${id}`);
  }

  /**
   * The first record pointed at that is not there or is another teacher's; null when all is well.
   * Only fields that this change wrote need a look.
   */
  async danglingReference(teacherId: string): Promise<string | null> {
    for (const [table, target, ids] of this.pointedAt()) {
      const known = ids.filter((id) => this.get(target, id)?.teacherId !== teacherId);
      const rows = await loadByIds(this.manager, target, known);
      const owned = new Set(rows.filter((row) => row.teacherId === teacherId).map((row) => row.id));
      const missing = known.find((id) => !owned.has(id));
      if (missing) return `This ${table} belongs to a ${target} that is not here (${missing}).`;
    }
    return null;
  }

  private pointedAt(): [TableName, TableName, string[]][] {
    return tableNames.flatMap((table) =>
      Object.entries(references[table] ?? {}).map(([field, target]): [TableName, TableName, string[]] => {
        const values = this.written(table).map((row) => row[field] as string | null);
        return [table, target, [...new Set(values.filter((id): id is string => id !== null))]];
      }),
    );
  }

  private written(table: TableName): Row[] {
    const keys = [...this.made, ...this.touched].filter((key) => key.startsWith(`${table} `));
    return [...new Set(keys)]
      .map((key) => this.found.get(key))
      .filter((row): row is Row => row !== undefined);
  }

  /** Writes what was made and touched, parents before children. */
  async write(): Promise<void> {
    for (const table of tableNames) {
      for (const row of this.written(table)) {
        if (this.made.has(`${table} ${row.id}`)) await insertRow(this.manager, table, row);
        else await updateRow(this.manager, table, row);
      }
    }
  }
}
