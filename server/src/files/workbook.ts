import writeXlsxFile from 'write-excel-file/node';
import type { TableCell } from '@slate-path/core/attendance/roll/rollTable';

export interface Sheet {
  name: string;
  /** The first one is the heading. */
  rows: TableCell[][];
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

/** Tables as an XLSX workbook, a sheet each; heading and first column stay in sight. */
export async function workbook(sheets: readonly Sheet[]): Promise<Uint8Array> {
  const names = sheetNames(sheets);
  const written = sheets.map(({ rows }, index) => ({
    sheet: names[index] ?? 'Sheet',
    stickyRowsCount: 1,
    stickyColumnsCount: 1,
    columns: (rows[0] ?? []).map((_, column) => ({ width: column === 0 ? 26 : 11 })),
    data: rows.map((row, line) =>
      row.map((value) => ({
        value: value ?? undefined,
        ...(line === 0 ? { fontWeight: 'bold' as const } : {}),
      })),
    ),
  }));
  return new Uint8Array(await writeXlsxFile(written).toBuffer());
}
