import { references, tableNames } from '@slate-path/core/records/tables';
import type { TableName } from '@slate-path/core/records/schema';
import type { Row } from '../database/entities';
import { insertRow, selectOwner, selectRow, toColumns, updateRow } from '../database/rowSql';
import type { Sql } from '../database/sql';

/** The rows that one change works on, loaded and written back by their ids. */
export class Rows {
  private readonly found = new Map<string, Row>();
  private readonly before = new Map<string, unknown[]>();
  private readonly made = new Set<string>();
  private readonly touched = new Set<string>();

  constructor(
    private readonly sql: Sql,
    wanted: { table: TableName; id: string }[],
  ) {
    for (const { table, id } of wanted) {
      const key = `${table} ${id}`;
      if (this.found.has(key)) continue;
      const row = selectRow(sql, table, id);
      if (!row) continue;
      this.found.set(key, row);
      this.before.set(key, toColumns(table, row));
    }
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
  danglingReference(teacherId: string): string | null {
    for (const [table, target, ids] of this.pointedAt()) {
      const missing = ids.find(
        (id) => (this.get(target, id)?.teacherId ?? selectOwner(this.sql, target, id)) !== teacherId,
      );
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
  write(): void {
    for (const table of tableNames) {
      for (const row of this.written(table)) {
        const before = this.before.get(`${table} ${row.id}`);
        if (before) updateRow(this.sql, table, before, row);
        else insertRow(this.sql, table, row);
      }
    }
  }
}
