import writeXlsxFile from 'write-excel-file/node';
import type { BookCell } from '@slate-path/core/sharing/workbook/book';

export interface Sheet {
  name: string;
  /** The first one is the heading. */
  rows: BookCell[][];
}

/** A sheet's name has at most 31 signs, none of them : \ / ? * [ ], and no other sheet has it. */
function sheetNames(sheets: readonly Sheet[]): string[] {
  const taken = new Set<string>();
  return sheets.map((sheet, index) => {
    const plain =
      sheet.name
        .replace(/[:\\/?*[\]]/g, ' ')
        .trim()
        .slice(0, 28) || 'Sheet';
    const name = taken.has(plain.toLowerCase()) ? `${plain.slice(0, 26)} ${index + 1}` : plain;
    taken.add(name.toLowerCase());
    return name;
  });
}

/** A column is as wide as what stands in it, within bounds, in letters. */
const widths = { least: 8, most: 48, date: 11 };
/** So many rows are looked at for that. */
const mostLookedAt = 300;

function widthsOf(rows: readonly BookCell[][]): { width: number }[] {
  return (rows[0] ?? []).map((_, column) => {
    const lengths = rows
      .slice(0, mostLookedAt)
      .map((row) => row[column])
      .map((cell) => (cell instanceof Date ? widths.date : String(cell ?? '').length + 2));
    return { width: Math.min(widths.most, Math.max(widths.least, ...lengths)) };
  });
}

/** Tables as an XLSX workbook, a sheet each; heading and first column stay in sight, days are days. */
export async function workbook(sheets: readonly Sheet[]): Promise<Uint8Array> {
  const names = sheetNames(sheets);
  const written = sheets.map(({ rows }, index) => ({
    sheet: names[index] ?? 'Sheet',
    stickyRowsCount: 1,
    stickyColumnsCount: 1,
    columns: widthsOf(rows),
    data: rows.map((row, line) =>
      row.map((value) => ({
        value: value ?? undefined,
        ...(value instanceof Date ? { format: 'yyyy-mm-dd' } : {}),
        ...(line === 0 ? { fontWeight: 'bold' as const } : {}),
      })),
    ),
  }));
  return new Uint8Array(await writeXlsxFile(written).toBuffer());
}
