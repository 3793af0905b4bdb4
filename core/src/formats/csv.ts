import Papa from 'papaparse';
import { guardFormulas } from './formulas';

/**
 * RFC 4180 text of rows. Cells that a table program would run as a formula are guarded; numbers stay numbers.
 * @param withBom begins with a byte order mark, which some programs need to see UTF-8
 */
export function writeCsv(rows: readonly (readonly (string | number | null)[])[], withBom = false): string {
  const harmless = rows.map((row) =>
    row.map((cell) => (typeof cell === 'string' ? guardFormulas(cell) : (cell ?? ''))),
  );
  return (withBom ? '\uFEFF' : '') + Papa.unparse(harmless, { newline: '\r\n' }) + '\r\n';
}
