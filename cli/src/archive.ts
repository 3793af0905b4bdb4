import { NotAnArchive, readArchive, type ArchiveReading } from '@slate-path/core/keeping/archive/readArchive';
import type { Archive } from '@slate-path/core/keeping/archive/tables';
import { InputError, readInput } from './input';

/** Reads an archive; every error in it is said with its file and line. */
export function archiveReading(file: string): Pick<ArchiveReading, 'archive' | 'timezone'> {
  try {
    const { archive, timezone, errors, notes } = readArchive(readInput(file));
    for (const note of notes) console.error(`${file}: ${note}`);
    if (errors.length === 0) return { archive, timezone };
    const lines = errors.map(
      ({ file: name, line, reason }) => `${file}: ${name}${line === null ? '' : `:${line}`}: ${reason}`,
    );
    throw new InputError(lines.join('\n'));
  } catch (error) {
    if (error instanceof NotAnArchive) throw new InputError(`${file}: ${error.message}`);
    throw error;
  }
}

export const archiveOf = (file: string): Archive => archiveReading(file).archive;
