import { axisTicks } from '../../../drawing/axisTicks';
import { barPaths } from '../../../drawing/barPaths';
import { linePath } from '../../../drawing/linePath';
import type { Dated, PresenceOnPage } from '../onPage';
import { ends, fill, label, path, picture, plot, stroke, under, width, type Said } from './drawing';

const perRow = 20;
const rowStep = 24;
const bar = { width: 13, height: 14, step: 17 };

/** Lessons as bars, so many a row. @param says the same in words */
export function presenceChart({ lessons }: Pick<PresenceOnPage, 'lessons'>, says: string): string {
  const rows = Array.from({ length: Math.ceil(lessons.length / perRow) }, (_, row) =>
    lessons.slice(row * perRow, (row + 1) * perRow),
  );
  const drawn = rows.map((row, at) => {
    const {
      filled,
      outlined,
      excused,
      setAside,
      stroke: thick,
    } = barPaths(
      row.map(({ shape }) => shape),
      bar,
    );
    const bars =
      path(filled, fill('slate')) +
      path(outlined, stroke('slate', thick)) +
      path(excused, `${stroke('plum', thick)} stroke-dasharray="2.5 2.5"`) +
      path(setAside, stroke('plum', 1.5));
    return `<g transform="translate(0 ${at * rowStep + 4})">${bars}</g>`;
  });
  return picture(rows.length * rowStep, says, drawn.join(''));
}

/** Lesson by lesson as standing bars, with the numbers of the axis; a gap where nobody looked. */
export function countsChart(
  lessons: readonly { value: number | null }[],
  ink: 'lichen' | 'clay' | 'inkQuiet',
  { says, first, last }: Said,
): string {
  const left = 30;
  const values = lessons.map(({ value }) => value ?? 0);
  const ticks = axisTicks(Math.max(0, ...values), values.every(Number.isInteger));
  const most = ticks.at(-1) ?? 1;
  const y = (value: number) => plot.top + (1 - value / most) * plot.height;
  const step = (width - left) / Math.max(lessons.length, 1);
  const thick = Math.max(2, Math.min(14, step * 0.6));
  const lines = ticks.map(
    (tick) =>
      `<path d="M${left} ${y(tick).toFixed(1)}H${width}" ${stroke('line', 1)}/>` +
      label(left - 6, y(tick) + 4, String(tick), 'end'),
  );
  const bars = lessons.map(({ value }, at) => {
    if (value === null) return '';
    const x = left + (at + 0.5) * step - thick / 2;
    // None is a flat mark: somebody looked.
    const high = Math.max(y(0) - y(value), 1.5);
    return `<rect x="${x.toFixed(1)}" y="${(y(0) - high).toFixed(1)}" width="${thick.toFixed(1)}" height="${high.toFixed(1)}" ${fill(ink)}/>`;
  });
  const height = plot.top + plot.height + under;
  return picture(height, says, lines.join('') + bars.join('') + ends(first, last, left, height - 4));
}

/** A course between the lowest and the highest value, which have names. */
export function courseChart(
  points: readonly Dated[],
  ink: 'slate' | 'inkQuiet',
  levels: readonly { value: number; name: string }[],
  { says, first, last }: Said,
): string {
  const left = Math.min(130, 12 + 6.6 * Math.max(0, ...levels.map(({ name }) => Array.from(name).length)));
  const values = levels.map(({ value }) => value);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const y = (value: number) => plot.top + (1 - (value - low) / (high - low)) * plot.height;
  const step = (width - left - 6) / Math.max(points.length - 1, 1);
  const placed = points.map(({ value }, at) => ({ x: left + 3 + at * step, y: y(value) }));
  const lines = levels.map(
    ({ value, name }) =>
      `<path d="M${left.toFixed(1)} ${y(value).toFixed(1)}H${width}" ${stroke('line', 1)}/>` +
      label(0, y(value) + 4, name),
  );
  const dots = placed.map(
    (dot) => `<circle cx="${dot.x.toFixed(1)}" cy="${dot.y.toFixed(1)}" r="2.5" ${fill(ink)}/>`,
  );
  const height = plot.top + plot.height + under;
  const course = path(linePath(placed), `${stroke(ink, 2.5)} stroke-linejoin="round"`);
  return picture(height, says, lines.join('') + course + dots.join('') + ends(first, last, left, height - 4));
}
