import type { Content } from 'pdfmake/interfaces';
import { paper as ink } from '@slate-path/core/drawing/palette';
import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import { cutSheets } from '../../files/pdf/cutSheets';
import { pdfOf } from '../../files/pdf/document';
import { words } from '../../files/pdf/text';

export interface Card {
  name: string;
  /** Where its code leads. */
  link: string;
}

export interface CardSheetsRequest {
  school: string;
  paper: PaperSize;
  cards: readonly Card[];
}

/** Eight to a sheet, in points; the lower of the two kinds of paper has room for four of this height. */
const card = { width: 258, height: 172, perRow: 2, perSheet: 8 };
const code = 104;

function cardContent({ name, link }: Card, school: string): Content {
  const room = card.width - code - 40;
  return {
    columns: [
      { width: code, stack: [{ qr: link, fit: code, eccLevel: 'M', foreground: ink.ink }] },
      {
        width: room,
        stack: [
          words(school, { size: 8.5, tone: 'inkQuiet', width: room, align: 'left' }),
          words(name, {
            size: name.length > 40 ? 10 : 14,
            title: true,
            width: room,
            margin: [0, 3, 0, 6],
            align: 'left',
          }),
          words('Your own page. Point a phone’s camera at the code.', { size: 8.5, width: room }),
          words('Whoever has this card can read it. If you lose it, say so.', {
            ...{ size: 8.5, tone: 'inkQuiet', width: room, margin: [0, 4, 0, 0] },
          }),
        ],
      },
    ],
    columnGap: 12,
    margin: [10, 24, 8, 6],
  };
}

/** The students' cards, eight to a sheet, to be cut apart. */
export function cardSheets({ school, paper, cards }: CardSheetsRequest): Promise<Uint8Array> {
  const content = cutSheets(
    cards.map((one) => cardContent(one, school)),
    card,
  );
  return pdfOf({ paper, title: 'Cards', school, made: '', bare: true }, content);
}
