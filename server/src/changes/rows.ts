import { references, tableNames } from '@slate-path/core/records/tables';
import type { TableName } from '@slate-path/core/records/schema';
import type { Row } from '../database/entities';
import { insertRow, selectRow, selectScope, toColumns, updateRow } from '../database/rowSql';
import type { Sql } from '../database/sql';
import type { Writer } from '../scopes/writer';

/** A row that a change works on, and how it stood before, as fields and as columns; null where it is made. */
interface Held {
  row: Row;
  before: { row: Row; columns: unknown[] } | null;
}

const positionOf = new Map(tableNames.map((table, index) => [table, index]));
const pointersOf = new Map(tableNames.map((table) => [table, Object.entries(references[table] ?? {})]));

/** The rows that one change works on, loaded and written back by their ids. */
export class Rows {
  private readonly found = new Map<TableName, Map<string, Held>>();
  /** Those that were made or touched. */
  private readonly written = new Map<TableName, Set<string>>();

  constructor(
    private readonly sql: Sql,
    wanted: { table: TableName; id: string }[],
  ) {
    for (const { table, id } of wanted) {
      if (this.held(table, id)) continue;
      const row = selectRow(sql, table, id);
      if (row) this.hold(table, { row, before: { row: { ...row }, columns: toColumns(table, row) } });
    }
  }

  get(table: TableName, id: string): Row | undefined {
    return this.held(table, id)?.row;
  }

  make(table: TableName, row: Row): void {
    this.hold(table, { row, before: null });
    this.touch(table, row.id);
  }

  touch(table: TableName, id: string): void {
    const ids = this.written.get(table);
    if (ids) ids.add(id);
    else this.written.set(table, new Set([id]));
  }

  /**
   * The first record pointed at that is not there, or not for the writer to see; null when all is well.
   * Only rows that this change wrote need a look.
   */
  danglingReference(writer: Writer): string | null {
    const isSeen = new Set<string>();
    for (const [table, ids] of this.written)
      for (const [field, target] of pointersOf.get(table) ?? [])
        for (const id of ids) {
          const pointed = this.get(table, id)?.[field] as string | null | undefined;
          if (pointed === null || pointed === undefined || isSeen.has(`${target} ${pointed}`)) continue;
          if (!this.isThere(table, target, pointed, writer))
            return `This ${table} belongs to a ${target} that is not here (${pointed}).`;
          isSeen.add(`${target} ${pointed}`);
        }
    return null;
  }

  private isThere(from: TableName, to: TableName, id: string, writer: Writer): boolean {
    const held = this.held(to, id);
    if (held && !held.before) return true;
    const scopeId = held?.row.scopeId ?? selectScope(this.sql, to, id);
    return scopeId !== undefined && writer.mayPoint(from, to, scopeId);
  }

  /**
   * Writes what was made and touched, parents before children, each where it belongs.
   * @returns the scopes that were written in @throws NotAllowed
   */
  write(writer: Writer): Set<string> {
    const scopes = new Set<string>();
    const find = (table: TableName, id: string) => {
      const row = this.get(table, id);
      if (row) return row;
      const scopeId = selectScope(this.sql, table, id);
      return scopeId === undefined ? undefined : { scopeId };
    };
    const tables = [...this.written.keys()].sort(
      (a, b) => (positionOf.get(a) ?? 0) - (positionOf.get(b) ?? 0),
    );
    for (const id of this.written.get('enrolment') ?? []) {
      const held = this.held('enrolment', id);
      if (held && !held.before)
        writer.expectEnrolment(String(held.row['studentId']), String(held.row['sectionId']));
    }
    for (const table of tables)
      for (const id of this.written.get(table) ?? []) {
        const held = this.held(table, id);
        if (!held) continue;
        writer.settle(table, held.row, held.before?.row ?? null, find);
        if (held.before) updateRow(this.sql, table, held.before.columns, held.row);
        else {
          insertRow(this.sql, table, held.row);
          writer.begin(table, held.row);
        }
        scopes.add(held.row.scopeId);
        if (held.before) scopes.add(held.before.row.scopeId);
      }
    return scopes;
  }

  private held(table: TableName, id: string): Held | undefined {
    return this.found.get(table)?.get(id);
  }

  private hold(table: TableName, held: Held): void {
    const rows = this.found.get(table);
    if (rows) rows.set(held.row.id, held);
    else this.found.set(table, new Map([[held.row.id, held]]));
  }
}
