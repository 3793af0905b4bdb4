/** The data folder cannot be used, with one clear line that says why. */
export class DatabaseError extends Error {}

const full = new Set(['SQLITE_FULL', 'ENOSPC', 'EDQUOT']);

/** What to say of an error that is the disk's: nothing of it was written. Null for any other. */
export function diskTrouble(error: unknown): string | null {
  const { code, driverError } = (error ?? {}) as { code?: unknown; driverError?: { code?: unknown } };
  const known = [code, driverError?.code].find((one) => typeof one === 'string') ?? '';
  if (full.has(known))
    return 'The server’s disk is full, so this was not saved; all that was saved before is kept. Make room on it and try again.';
  if (known.startsWith('SQLITE_IOERR') || known === 'EIO' || known === 'EROFS' || known === 'SQLITE_READONLY')
    return 'The server’s disk did not take this, so it was not saved; all that was saved before is kept. Whoever looks after the server has to see to the disk.';
  return null;
}
