const last = new Map<string, Promise<unknown>>();

/** Runs pieces of work with the same key one after another, those with other keys meanwhile. */
export function inTurn<T>(key: string, work: () => Promise<T>): Promise<T> {
  const before = last.get(key) ?? Promise.resolve();
  const mine = before.then(work, work);
  const settled = mine.catch(() => undefined);
  last.set(key, settled);
  void settled.then(() => {
    if (last.get(key) === settled) last.delete(key);
  });
  return mine;
}
