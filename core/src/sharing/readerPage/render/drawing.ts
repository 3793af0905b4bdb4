import { paper } from '../../../drawing/palette';
import { escaped } from '../../../formats/html';

/** All in units of the picture, which is as wide as the page. */
export const width = 340;
export const plot = { top: 8, height: 84 };
export const under = 20;

/** A colour by its role, also where styles are off. */
export type Ink = 'slate' | 'plum' | 'lichen' | 'clay' | 'inkQuiet' | 'line';
export const fill = (ink: Ink) => `fill="${paper[ink]}" class="f-${ink}"`;
export const stroke = (ink: Ink, thick: number) =>
  `fill="none" stroke="${paper[ink]}" stroke-width="${thick}" class="s-${ink}"`;

export const picture = (height: number, says: string, inside: string) =>
  `<svg viewBox="0 0 ${width} ${height}" width="${width}" role="img" aria-label="${escaped(says)}">${inside}</svg>`;

export const label = (x: number, y: number, text: string, anchor: 'start' | 'middle' | 'end' = 'start') =>
  `<text x="${x}" y="${y}" font-size="12" text-anchor="${anchor}" ${fill('inkQuiet')}>${escaped(text)}</text>`;

export const path = (d: string, look: string) => (d === '' ? '' : `<path d="${d}" ${look}/>`);

/** The first and the last day under a chart. */
export const ends = (first: string, last: string, left: number, y: number) =>
  label(left, y, first) + (last === first ? '' : label(width, y, last, 'end'));

export interface Said {
  /** The same in words. */
  says: string;
  /** What the first and the last day are called. */
  first: string;
  last: string;
}
