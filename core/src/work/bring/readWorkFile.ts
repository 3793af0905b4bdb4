import { decodeText } from '../../formats/decodeText';
import { readTable } from '../../formats/table';
import { workLimits } from './limits';
import { readOneRosterGrades } from './oneRosterGrades';
import { looksLikeStatements, readStatements } from './readStatements';
import { readWork } from './readWork';
import type { ReadingOptions, WorkReading } from './reading';

/**
 * Reads what somebody brings about work or activity: a table (CSV, TSV, XLSX, pasted cells), the gradebook of a
 * OneRoster zip, or statements of the Experience API. @throws TableError with a sentence
 */
export async function readWorkFile(bytes: Uint8Array, options: ReadingOptions): Promise<WorkReading> {
  const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b;
  if (!isZip && bytes.length <= workLimits.bytes) {
    const text = decodeText(bytes);
    if (looksLikeStatements(text)) return readStatements(text, options.zone);
  }
  const grades = isZip ? readOneRosterGrades(bytes, options.zone) : null;
  return grades ?? readWork(await readTable(bytes, workLimits), options);
}
