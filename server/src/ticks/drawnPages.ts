import type { CanvasElement, Content } from 'pdfmake/interfaces';
import { shownNames } from '@slate-path/core/attendance/checkIn/shownNames';
import type { Contents } from '@slate-path/core/ticks/clipboard/contents';
import type { Area, Block, Clipboard, ClipboardPage } from '@slate-path/core/ticks/clipboard/page';
import { widthOf, words } from '../files/pdf/text';

/** The pages of a class, with all that stands on them. */
export interface Drawn {
  layout: Exclude<Clipboard, { problem: string }>;
  contents: Contents;
  className: string;
  school: string;
  /** In words. */
  day: string;
  /** By student. */
  names: ReadonlyMap<string, string>;
}

const pointsPerMm = 72 / 25.4;
const pt = (mm: number) => mm * pointsPerMm;

const black = '#000000';
const sizes = { heading: 13, name: 9, smallestName: 5.5, value: 9, number: 4.5, legend: 8 };

const frame = ({ x, y, width, height }: Area, lineWidth: number): CanvasElement => ({
  ...{ type: 'rect', x: pt(x), y: pt(y), w: pt(width), h: pt(height), lineWidth, lineColor: black },
});

const line = (x1: number, x2: number, y: number): CanvasElement => ({
  ...{ type: 'line', x1: pt(x1), x2: pt(x2), y1: pt(y), y2: pt(y), lineWidth: 0.4, lineColor: black },
});

/** A line of text in a place of its own, in black; as small as it takes to stand in it. */
function text(said: string, at: Area, size: number, { bold = false, least = size } = {}): Content {
  let fitting = size;
  while (fitting > least && widthOf(said, fitting) * (bold ? 1.08 : 1) > pt(at.width)) fitting -= 0.25;
  return {
    ...words(said, { size: fitting, bold, align: 'left' }),
    ...{ color: black, lineHeight: 1, noWrap: true, absolutePosition: { x: pt(at.x), y: pt(at.y) } },
  };
}

/** The numbers of the boxes, and what stands in them already. */
function inBoxes({ studentId, boxes }: Block, { valueOf }: Contents): Content[] {
  return boxes.flatMap((box, at) => {
    const value = valueOf(studentId, at + 1);
    const corner = { ...box, x: box.x + 0.3, y: box.y + 0.2 };
    const number = text(String(at + 1), corner, sizes.number);
    if (value === '') return [number];
    const size = Math.min(sizes.value, pt(box.height) * 0.6);
    const inner = {
      ...box,
      x: box.x + 1.6,
      y: box.y + box.height - (size * 1.25) / pointsPerMm,
      width: box.width - 1.9,
    };
    return [number, text(value, inner, size, { least: 4 })];
  });
}

const isTooWide = (said: string, { width }: Area) => widthOf(said, sizes.smallestName) * 1.08 > pt(width);

function drawnPage(page: ClipboardPage, drawn: Drawn, where: { page: number; pages: number }): Content[] {
  const { layout, contents, className, day, names } = drawn;
  const of = where.pages > 1 ? `, page ${where.page} of ${where.pages}` : '';
  const short = shortNames(drawn);
  const lines = page.legend.filter(({ number }) => !contents.legend.has(number));
  const canvas: CanvasElement[] = [
    ...page.blocks.flatMap((block) => block.boxes.map((box) => frame(box, 0.4))),
    ...lines.map(({ x, y, width, height }) => line(x + 5, x + width, y + height - 1)),
    ...(page.front ? [line(page.front.x, page.front.x + page.front.width, page.front.y + 2.5)] : []),
  ];
  const nameOf = (block: Block) => {
    const whole = names.get(block.studentId) ?? '';
    return isTooWide(whole, block.name) ? (short.get(block.studentId) ?? whole) : whole;
  };
  // The name stands in the middle of its line, whatever the height of that.
  const nameArea = ({ name }: Block): Area => ({
    ...{ ...name, x: name.x + 0.3, width: name.width - 0.6 },
    y: name.y + Math.max(0, (name.height - sizes.name / pointsPerMm) / 2) - 0.3,
  });
  return [
    { canvas, absolutePosition: { x: 0, y: 0 } },
    text(`${className}, ${day}${of}`, layout.heading, sizes.heading, { bold: true, least: 8 }),
    ...(page.front ? [text(' front of the room ', { ...page.front, x: page.front.x + 2 }, 7)] : []),
    ...page.blocks.flatMap((block) => [
      text(nameOf(block), nameArea(block), sizes.name, { bold: true, least: sizes.smallestName }),
      ...inBoxes(block, contents),
    ]),
    ...page.legend.map(({ number, ...area }) =>
      text(legendWords(number, area, contents), area, sizes.legend, { least: 5 }),
    ),
  ];
}

/** Where there is no room for what a column's signs mean, its name alone. */
function legendWords(number: number, { width }: Area, { legend }: Contents): string {
  const whole = legend.get(number) ?? '';
  const isLong = widthOf(`${number}  ${whole}`, sizes.legend) > pt(width);
  return `${number}  ${isLong ? (whole.split(': ')[0] ?? '') : whole}`.trim();
}

/** "Maeve D.": where there is no room for all of it. */
function shortNames({ names }: Drawn): Map<string, string> {
  const people = [...names].map(([id, whole]) => {
    const [givenName = '', ...rest] = whole.split(' ');
    return { id, givenName, familyName: rest.join(' '), called: '' };
  });
  return new Map(shownNames(people, true).map(({ id, name }) => [id, name]));
}

/** Pages of several classes, each beginning a sheet. */
export function drawnPages(classes: readonly Drawn[]): Content[] {
  const all = classes.flatMap((drawn) =>
    drawn.layout.pages.map((page, at) =>
      drawnPage(page, drawn, { page: at + 1, pages: drawn.layout.pages.length }),
    ),
  );
  return all.map((stack, at): Content => ({
    stack: [{ text: ' ', fontSize: 1 }, ...stack],
    ...(at > 0 ? { pageBreak: 'before' } : {}),
  }));
}
