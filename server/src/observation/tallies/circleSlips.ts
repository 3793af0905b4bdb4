import type { Content } from 'pdfmake/interfaces';
import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import { cutSheets } from '../../files/pdf/cutSheets';
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

/** Two by two on a sheet, in points: on the shorter of the two kinds too. */
const slip = { width: 260, height: 350, perRow: 2, perSheet: 4 };
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
  const content = cutSheets(
    slips.map((one) => slipContent(one, title)),
    slip,
  );
  return pdfOf({ paper, title, school, made: '', bare: true }, content);
}
