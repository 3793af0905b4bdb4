import type { LookFor } from '@slate-path/core/records/schema';
import { mostStrokes, strokeBundles } from '@slate-path/core/observation/tallies/strokes';

type Tone = LookFor['tone'];

/** Wanted strokes stand, unwanted ones lean, neutral ones are short and low. */
export const strokeLook: Record<Tone, { lean: number; top: number; ink: 'lichen' | 'clay' | 'inkQuiet' }> = {
  wanted: { lean: 0, top: 2, ink: 'lichen' },
  unwanted: { lean: 5, top: 2, ink: 'clay' },
  neutral: { lean: 0, top: 10, ink: 'inkQuiet' },
};

/** All in pixels. */
export const strokeHeight = 20;
const gap = 5;
const between = 7;
const digit = 10;
const betweenTones = 4;

export interface Strokes {
  path: string;
  /** Above ten one stroke stands for all, and their number beside it. */
  number: string;
  width: number;
}

/**
 * The strokes of a count as one path, the fifth of each bundle across the four.
 * @param y where their line begins @param most above so many one stroke and a number stand for all
 */
export function strokesOf(count: number, tone: Tone, left = 0, y = 0, most = mostStrokes): Strokes {
  const { lean, top } = strokeLook[tone];
  const many = count > most;
  let x = left + 3;
  const parts: string[] = [];
  for (const bundle of strokeBundles(many ? 1 : count)) {
    const upright = Math.min(bundle, 4);
    for (let index = 0; index < upright; index += 1)
      parts.push(`M${x + index * gap} ${y + strokeHeight - 2}l${lean} ${top - strokeHeight + 2}`);
    const last = x + (upright - 1) * gap;
    if (bundle === 5) parts.push(`M${x - 2} ${y + strokeHeight - 5}L${last + lean + 2} ${y + top + 2}`);
    x = last + lean + between;
  }
  return { path: parts.join(''), number: many ? String(count) : '', width: x - left };
}

export interface PlacedStrokes extends Strokes {
  tone: Tone;
  /** Where the number begins, and its foot. */
  x: number;
  y: number;
}

const order: readonly Tone[] = ['wanted', 'neutral', 'unwanted'];

/**
 * The strokes of all tones on one line; where they have no room, one stroke of each with its number.
 * @returns one for each tone, empty where there are none, so that a stroke more only changes a path
 */
export function strokeLine(counts: Record<Tone, number>, width: number): PlacedStrokes[] {
  const drawn = placed(counts, mostStrokes);
  return drawn.width <= width ? drawn.strokes : placed(counts, 1).strokes;
}

function placed(counts: Record<Tone, number>, most: number) {
  let width = 0;
  const strokes = order.map((tone): PlacedStrokes => {
    const y = strokeHeight - 4;
    if (counts[tone] === 0) return { tone, path: '', number: '', width: 0, x: width, y };
    const own = strokesOf(counts[tone], tone, width, 0, most);
    const x = width + own.width;
    width = x + own.number.length * digit + betweenTones;
    return { ...own, tone, x, y };
  });
  return { strokes, width };
}
