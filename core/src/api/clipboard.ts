import { z } from 'zod';
import { Id } from '../records/schema';
import { clipboardContents, clipboardShapes } from '../ticks/clipboard/wish';
import { mostBoxes } from '../ticks/clipboard/page';
import { Day, fileAnswer, Paper, type Endpoint } from './endpoint';

const Boxes = z.int().min(1, 'At least one box').max(mostBoxes, `At most ${mostBoxes} boxes`);

/** Pages for the clipboard, one class after another. */
export const ClipboardWish = z
  .strictObject({
    sectionIds: z.array(Id).min(1, 'Which class?').max(20, 'At most 20 classes at once'),
    shape: z.enum(clipboardShapes),
    rows: Boxes,
    columns: Boxes,
    contents: z.enum(clipboardContents),
    /** With what is known, or empty. */
    filled: z.boolean(),
    /** Whose roll or tallies; also what stands in the heading. */
    date: Day,
    /** As it is seen from the back of the room. */
    back: z.boolean(),
    order: z.enum(['given', 'family']).default('given'),
    ...Paper,
  })
  .refine(({ rows, columns }) => rows * columns <= mostBoxes, {
    path: ['columns'],
    message: `At most ${mostBoxes} boxes for each student`,
  });
export type ClipboardWish = z.output<typeof ClipboardWish>;

export const clipboardEndpoints = {
  clipboardPages: {
    summary:
      'Pages for the clipboard as PDF: each student of a class, as they sit or as a list, with numbered boxes and a legend, empty or filled from the tick-sheet, the roll or the tallies of a day.',
    body: ClipboardWish,
    ...fileAnswer(['pdf']),
  },
} satisfies Record<string, Endpoint>;
