import Database from 'better-sqlite3';

let count = 0;

/** How many statements this process has run on any database. */
export function queriesSoFar(): number {
  return count;
}

/** From now on every statement that runs in this process is counted, whoever runs it. */
export function countQueries(): void {
  const prototype = Object.getPrototypeOf(
    new Database(':memory:').prepare('SELECT 1'),
  ) as Database.Statement & Record<string, (...values: unknown[]) => unknown>;
  for (const name of ['all', 'get', 'run', 'iterate']) {
    const plain = prototype[name];
    if (!plain) continue;
    Object.defineProperty(prototype, name, {
      value(this: unknown, ...values: unknown[]) {
        count += 1;
        return plain.apply(this, values);
      },
    });
  }
}
