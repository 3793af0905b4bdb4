import { unzipSync } from 'fflate';
import { TableError } from './tableError';

/**
 * Some files of a zip. What all of it says it unpacks to is added up before any of it is unpacked.
 * @param wanted by the name in the zip @param limit in bytes
 * @throws TableError for one that is damaged, or unpacks to more
 */
export function unzipWanted(
  bytes: Uint8Array,
  wanted: (name: string) => boolean,
  limit: number,
): Record<string, Uint8Array> {
  let unpacked = 0;
  try {
    unzipSync(bytes, {
      filter: ({ originalSize }) => {
        unpacked += originalSize;
        return false;
      },
    });
    if (unpacked <= limit) return unzipSync(bytes, { filter: ({ name }) => wanted(name) });
  } catch {
    throw new TableError('This zip is damaged and cannot be read. Nothing was changed.');
  }
  throw new TableError(`This zip unpacks to over ${limit / 1_000_000} MB. Nothing was changed.`);
}
