import type { ContentText } from 'pdfmake/interfaces';
import {
  directionOf,
  hasRightToLeft,
  visualOrder,
  type Direction,
} from '@slate-path/core/formats/visualOrder';
import { paper } from '@slate-path/core/drawing/palette';
import { runsOf, type Run } from './faces';

export interface Look {
  size?: number;
  bold?: boolean;
  /** In the face of titles. */
  title?: boolean;
  tone?: 'ink' | 'inkQuiet' | 'slate' | 'plum' | 'clay' | 'lichen';
  /** Points that a line may take, where the text may run over several lines. */
  width?: number;
  margin?: [number, number, number, number];
  align?: 'left' | 'center' | 'right';
  /** In which it is read as a whole; that of most of its letters unless said. */
  direction?: Direction | undefined;
}

const usualSize = 10.5;

/** A line as runs of one face each, spaces with the run before them. */
function lineRuns(line: string, title: boolean, direction: Direction): Run[] {
  const runs: Run[] = [];
  for (const piece of visualOrder(line, direction)
    .flatMap((part) => part.split(/(\s+)/))
    .filter(Boolean)) {
    const last = runs.at(-1);
    const set = /^\s/.test(piece) && last ? [{ text: piece, face: last.face }] : runsOf(piece, title);
    const more = hasRightToLeft(piece) ? set.reverse() : set;
    for (const run of more) {
      const before = runs.at(-1);
      // A shaper turns a run of letters from right to left as a whole: a space has to stay where it is.
      if (before?.face === run.face && !hasRightToLeft(before.text + run.text)) before.text += run.text;
      else runs.push({ ...run });
    }
  }
  return runs;
}

/** How wide a text on one line is, in points. */
export const widthOf = (word: string, size: number): number =>
  runsOf(word).reduce(
    (all, { text, face }) => all + ((face.widthOf(text) ?? 500 * text.length) * size) / 1000,
    0,
  );

/** How far letters reach above the line, as a part of their size. */
export const ascentOf = (text: string): number =>
  Math.max(0, ...runsOf(text).map(({ face }) => face.ascent()));

/** Without placing marks: for letters at which the shaper fails with it. */
const marksLeft = { mark: false, mkmk: false, abvm: false, blwm: false } as unknown as OpenTypeFeatures;
const isPlain = /^[\p{Script=Latin}\p{Script=Common}]*$/u;

function inline({ text, face }: Run): ContentText {
  const fails = !isPlain.test(text) && face.widthOf(text) === null;
  return { text, font: face.name, ...(fails ? { fontFeatures: marksLeft } : {}) };
}

type OpenTypeFeatures = NonNullable<ContentText['fontFeatures']>;

/** What is read from right to left is broken into lines before it is turned; the rest is broken by the document's maker. */
function brokenLines(line: string, size: number, width: number | undefined): string[] {
  if (width === undefined || !hasRightToLeft(line)) return [line];
  const lines: string[][] = [];
  let at = 0;
  for (const word of line.split(' ')) {
    const wide = widthOf(`${word} `, size);
    const last = lines.at(-1);
    if (last && at + wide <= width) {
      last.push(word);
      at += wide;
    } else {
      lines.push([word]);
      at = wide;
    }
  }
  return lines.map((own) => own.join(' '));
}

/** Control characters have no shape; a tab is a space. */
const plain = (text: string) =>
  text
    .replace(/\r\n?/g, '\n')
    .replace(/\t/g, ' ')
    .replace(/[^\P{C}\n\u200C\u200D]/gu, '');

/** A text of any script as a document takes it: each run with its face, in the order in which it stands. */
export function words(text: string, look: Look = {}): ContentText {
  const { size = usualSize, bold = false, title = false, tone = 'ink', width, margin, align } = look;
  const direction = look.direction ?? directionOf(text);
  const lines = plain(text)
    .split('\n')
    .flatMap((line) => brokenLines(line, size, width));
  const runs = lines.flatMap((line, at) => {
    const own = lineRuns(line, title, direction).map(inline);
    return at < lines.length - 1 ? [...own, { text: '\n' }] : own;
  });
  const alignment = align ?? (direction === 'rtl' ? 'right' : 'left');
  return {
    ...{ text: runs, fontSize: size, bold, color: paper[tone], alignment },
    ...(margin ? { margin } : {}),
  };
}
