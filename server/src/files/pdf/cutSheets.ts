import type { Content } from 'pdfmake/interfaces';
import { paper as ink } from '@slate-path/core/drawing/palette';
import { words } from './text';

interface Cut {
  /** Of each piece, in points. */
  width: number;
  height: number;
  perRow: number;
  perSheet: number;
}

const dashed = () => ({ dash: { length: 3, space: 3 } });

/** Pieces of one size on sheets, with dashed lines to cut along. */
export function cutSheets(pieces: readonly Content[], { width, height, perRow, perSheet }: Cut): Content[] {
  const sheets = Array.from({ length: Math.max(1, Math.ceil(pieces.length / perSheet)) }, (_, at) =>
    pieces.slice(at * perSheet, (at + 1) * perSheet),
  );
  return sheets.map((own, at): Content => {
    const rows = Array.from({ length: perSheet / perRow }, (_, row) =>
      Array.from({ length: perRow }, (__, column) => own[row * perRow + column] ?? words('')),
    );
    return {
      table: { widths: Array<number>(perRow).fill(width), heights: height, body: rows, dontBreakRows: true },
      layout: {
        hLineWidth: () => 0.5,
        vLineWidth: () => 0.5,
        hLineColor: () => ink.line,
        vLineColor: () => ink.line,
        hLineStyle: dashed,
        vLineStyle: dashed,
      },
      ...(at > 0 ? { pageBreak: 'before' } : {}),
    };
  });
}
