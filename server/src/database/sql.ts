import type Database from 'better-sqlite3';

/**
 * Plain SQL on one connection, each statement prepared once. What every tap and every request asks
 * for goes this way: a query builder and a promise a query would take longer than the disk.
 */
export class Sql {
  private readonly prepared = new Map<string, Database.Statement>();

  constructor(private readonly database: Database.Database) {}

  get<T>(sql: string, ...values: unknown[]): T | undefined {
    return this.prepare(sql).get(...values) as T | undefined;
  }

  all<T>(sql: string, ...values: unknown[]): T[] {
    return this.prepare(sql).all(...values) as T[];
  }

  /** Row by row, for more of them than are wanted at once. Nothing else may be asked of the same statement meanwhile. */
  each<T>(sql: string, ...values: unknown[]): IterableIterator<T> {
    return this.prepare(sql).iterate(...values) as IterableIterator<T>;
  }

  /** @returns how many rows were written */
  run(sql: string, ...values: unknown[]): number {
    return this.prepare(sql).run(...values).changes;
  }

  /** Does some writing as one: all of it, or, when something throws, nothing. */
  atOnce<T>(work: () => T): T {
    this.prepare('BEGIN IMMEDIATE').run();
    try {
      const result = work();
      this.prepare('COMMIT').run();
      return result;
    } finally {
      // Where it failed; some failures, as a full disk, have rolled it back already.
      if (this.database.inTransaction) this.prepare('ROLLBACK').run();
    }
  }

  /** Does some writing for which nobody waits until it is on the disk. */
  unhurried<T>(work: () => T): T {
    this.database.pragma('synchronous = NORMAL');
    try {
      return work();
    } finally {
      this.database.pragma('synchronous = FULL');
    }
  }

  /** Does a part of what is done at once: where it throws, only this part is undone. */
  within<T>(work: () => T): T {
    this.prepare('SAVEPOINT "part"').run();
    try {
      const result = work();
      this.prepare('RELEASE "part"').run();
      return result;
    } catch (error) {
      // Some failures, as a full disk, have undone everything already.
      if (this.database.inTransaction) {
        this.prepare('ROLLBACK TO "part"').run();
        this.prepare('RELEASE "part"').run();
      }
      throw error;
    }
  }

  private prepare(sql: string): Database.Statement {
    const known = this.prepared.get(sql);
    if (known) return known;
    const statement = this.database.prepare(sql);
    this.prepared.set(sql, statement);
    return statement;
  }
}
