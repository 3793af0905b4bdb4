/** The data folder cannot be used, with one clear line that says why. */
export class DatabaseError extends Error {}

const fullCodes = new Set(['SQLITE_FULL', 'ENOSPC', 'EDQUOT']);
const refusingCodes = new Set(['EIO', 'EROFS', 'SQLITE_READONLY']);

function codeOf(error: unknown): string {
  const { code, driverError } = (error ?? {}) as { code?: unknown; driverError?: { code?: unknown } };
  const found = [code, driverError?.code].find((one) => typeof one === 'string');
  return found ?? '';
}

/** What is wrong with a disk, as an error tells it; null where it is no error of the disk. */
function diskState(error: unknown): 'full' | 'refusing' | null {
  const code = codeOf(error);
  if (fullCodes.has(code)) return 'full';
  return code.startsWith('SQLITE_IOERR') || refusingCodes.has(code) ? 'refusing' : null;
}

/** What to say of an error that is the disk's: nothing of it was written. Null for any other. */
export function diskTrouble(error: unknown): string | null {
  const state = diskState(error);
  if (state === 'full')
    return 'The server’s disk is full, so this was not saved; all that was saved before is kept. Make room on it and try again.';
  if (state === 'refusing')
    return 'The server’s disk did not take this, so it was not saved; all that was saved before is kept. Whoever looks after the server has to see to the disk.';
  return null;
}

/** Why something could not be done with the files here, as part of a sentence. */
export function reasonOf(error: unknown): string {
  if (diskState(error) === 'full') return 'the disk is full; make room on it and try again';
  return error instanceof Error ? error.message : String(error);
}
