import type { Content } from 'pdfmake/interfaces';
import { dayIn } from '@slate-path/core/sharing/readerPage/language';
import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import { receiptOf, type Receipt } from '@slate-path/core/ticks/receipt';
import { tickId } from '@slate-path/core/ticks/tickId';
import { cutSheets } from '../files/pdf/cutSheets';
import { pdfOf, rule } from '../files/pdf/document';
import { words } from '../files/pdf/text';
import { asRow, readSheet, type SheetRequest } from './readSheet';

export interface ReceiptsRequest extends SheetRequest {
  columnId: string;
  /** Null: of everybody who paid. */
  studentId: string | null;
  paper: PaperSize;
}

/** Three to a sheet, in points; the lower of the two kinds of paper has room for three of this height. */
const piece = { width: 520, height: 236, perRow: 1, perSheet: 3 };
const labels = 110;
const room = piece.width - labels - 60;

function receiptContent({ title, lines }: Receipt, school: string): Content {
  const line = ([label, said]: [string, string]): Content => ({
    columns: [
      { width: labels, stack: [words(label, { tone: 'inkQuiet' })] },
      { width: room, stack: [words(said, { bold: label === 'Amount', width: room })] },
    ],
    margin: [0, 1, 0, 1],
  });
  return {
    margin: [20, 14, 20, 6],
    stack: [
      words(school, { size: 8.5, tone: 'inkQuiet' }),
      words(title, { size: 16, title: true, margin: [0, 0, 0, 6] }),
      ...lines.map(line),
      { margin: [labels, 18, 0, 2], stack: [rule(200)] },
      { margin: [labels, 0, 0, 0], stack: [words('Signature', { size: 8.5, tone: 'inkQuiet' })] },
    ],
  };
}

/** Receipts for what was paid of a fee; null where nothing was. */
export async function receipts(request: ReceiptsRequest): Promise<Uint8Array | null> {
  const sheet = readSheet(request);
  const column = sheet.columns.find(({ id }) => id === request.columnId);
  if (!column) return null;
  const { className, school, teacher, today } = sheet;
  const made = sheet.students
    .filter(({ id }) => request.studentId === null || id === request.studentId)
    .flatMap((student) => {
      const around = { className, school, teacher, today, student: asRow(student).name };
      const tick = sheet.ticks[tickId(column.id, student.id)];
      return receiptOf(column, tick, { ...around, dayWords: (date) => dayIn('en', date, true) }) ?? [];
    });
  if (made.length === 0) return null;
  const content = cutSheets(
    made.map((one) => receiptContent(one, school)),
    piece,
  );
  return pdfOf({ paper: request.paper, title: 'Receipts', school, made: '', bare: true }, content);
}
