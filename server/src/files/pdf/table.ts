import type { Content, TableCell as Cell } from 'pdfmake/interfaces';
import type { TableCell } from '@slate-path/core/attendance/roll/rollTable';
import { paper } from '@slate-path/core/drawing/palette';
import { words } from './text';

interface TableLook {
  size?: number;
  /** `*` shares what is left, `auto` is as wide as its text, a number is in points. */
  widths: readonly ('*' | 'auto' | number)[];
  /** How many rows head it; usually one. */
  headings?: 0 | 1;
  /** Its rows may be longer than a sheet, and are broken then. */
  long?: boolean;
  /** A line a student has to go on one sheet. */
  tight?: boolean;
}

/** A table whose heading stands again on every page; numbers stand to the right. */
export function table(
  rows: readonly (readonly (TableCell | undefined)[])[],
  { size = 9, widths, headings = 1, long = false, tight = false }: TableLook,
): Content {
  const body = rows.map((row, line) =>
    widths.map((width, column): Cell => {
      const value = row[column] ?? '';
      const room = typeof width === 'number' ? { width } : {};
      const isHeading = line < headings;
      const isNumber = typeof (isHeading ? (rows[1]?.[column] ?? '') : value) === 'number';
      return words(String(value), { size, bold: isHeading, ...room, align: isNumber ? 'right' : 'left' });
    }),
  );
  return {
    table: { headerRows: headings, dontBreakRows: !long, widths: [...widths], body },
    layout: {
      hLineWidth: (line) => (line === 0 ? 0 : 0.5),
      vLineWidth: () => 0,
      hLineColor: () => paper.line,
      paddingLeft: () => 2,
      paddingRight: () => 4,
      paddingTop: () => (tight ? 1 : 2),
      paddingBottom: () => (tight ? 0 : 2),
    },
    margin: [0, 4, 0, 4],
  };
}
