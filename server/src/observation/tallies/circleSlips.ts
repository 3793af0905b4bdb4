import type { Content } from 'pdfmake/interfaces';
import { paper as ink } from '@slate-path/core/drawing/palette';
import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import { pdfOf } from '../../files/pdf/document';
import { words } from '../../files/pdf/text';

/** What a student is given back on a piece of paper of their own. */
export interface Slip {
  name: string;
  feedback: string;
  /** Empty for none. */
  goal: string;
  nextGoal: string;
}

interface SlipSheet {
  title: string;
  school: string;
  paper: PaperSize;
  slips: readonly Slip[];
}

const perSheet = 4;
/** Two by two on a sheet, in points: on the shorter of the two kinds too. */
const slip = { width: 260, height: 350 };
/** Long feedback is set smaller, so that it stays on its slip. */
const sizeOf = (text: string) => (text.length > 900 ? 8 : text.length > 450 ? 9.5 : 11.5);

function slipContent({ name, feedback, goal, nextGoal }: Slip, title: string): Content {
  const line = { size: 9.5, tone: 'inkQuiet', width: slip.width - 24 } as const;
  const room = slip.width - 24;
  return {
    stack: [
      words(name, { size: 15, title: true, width: room }),
      words(title, { ...line, margin: [0, 2, 0, 8] }),
      words(feedback, { size: sizeOf(feedback), width: room }),
      ...(goal === '' ? [] : [words(`Goal: ${goal}`, { ...line, margin: [0, 8, 0, 0] })]),
      ...(nextGoal === ''
        ? []
        : [words(`Next time: ${nextGoal}`, { size: 11, bold: true, width: room, margin: [0, 8, 0, 0] })]),
    ],
    margin: [12, 12, 12, 12],
  };
}

/** Slips of feedback to be cut apart, four to a sheet, as a PDF. */
export function circleSlips({ title, school, paper, slips }: SlipSheet): Promise<Uint8Array> {
  const sheets = Array.from({ length: Math.max(1, Math.ceil(slips.length / perSheet)) }, (_, at) =>
    slips.slice(at * perSheet, (at + 1) * perSheet),
  );
  const content = sheets.map((own, at): Content => {
    const cells = Array.from({ length: perSheet }, (_, place) => {
      const found = own[place];
      return found ? slipContent(found, title) : words('');
    });
    return {
      table: {
        widths: [slip.width, slip.width],
        heights: slip.height,
        body: [cells.slice(0, 2), cells.slice(2)],
        dontBreakRows: true,
      },
      layout: {
        hLineWidth: () => 0.5,
        vLineWidth: () => 0.5,
        hLineColor: () => ink.line,
        vLineColor: () => ink.line,
        hLineStyle: () => ({ dash: { length: 3, space: 3 } }),
        vLineStyle: () => ({ dash: { length: 3, space: 3 } }),
      },
      ...(at > 0 ? { pageBreak: 'before' } : {}),
    };
  });
  return pdfOf({ paper, title, school, made: '', bare: true }, content);
}
