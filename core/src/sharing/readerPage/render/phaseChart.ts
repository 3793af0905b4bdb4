import { axisTicks } from '../../../drawing/axisTicks';
import type { Dated } from '../onPage';
import { ends, fill, label, path, picture, stroke, under, width, type Said } from './drawing';

interface PhaseToDraw {
  name: string;
  median: number | null;
  /** At least one. */
  values: readonly Dated[];
}

const left = 34;
const top = 22;
const high = 100;
/** A letter takes about so much. */
const letter = 6.2;

/** A name as far as there is room for it. */
function fitting(text: string, room: number): string {
  const most = Math.floor(room / letter);
  const letters = Array.from(text);
  return letters.length <= most
    ? text
    : `${letters
        .slice(0, Math.max(most - 1, 0))
        .join('')
        .trimEnd()}…`;
}

/**
 * Sessions as dots by day, a dashed line where a phase begins, a bar for each phase's median.
 * @param most where the axis ends; null: by the largest value
 */
export function phaseChart(phases: readonly PhaseToDraw[], most: number | null, said: Said): string {
  const all = phases.flatMap(({ values }) => values);
  const days = all.map(({ date }) => Date.parse(date));
  const [first, last] = [Math.min(...days), Math.max(...days)];
  const ticks = most === 100 ? [0, 50, 100] : axisTicks(Math.max(0, ...all.map(({ value }) => value)));
  const largest = ticks.at(-1) ?? 1;
  const [from, to] = [left + 10, width - 10];
  const x = (date: string) =>
    last === first ? (from + to) / 2 : from + ((Date.parse(date) - first) / (last - first)) * (to - from);
  const y = (value: number) => top + (1 - Math.min(value / largest, 1)) * high;
  const lines = ticks.map(
    (tick) =>
      path(`M${left} ${y(tick).toFixed(1)}H${width}`, stroke('line', 1)) +
      label(left - 6, y(tick) + 4, String(tick), 'end'),
  );
  const begins = phases.map(({ values: [one] }, index) => {
    const before = phases[index - 1]?.values.at(-1);
    return before && one ? (x(before.date) + x(one.date)) / 2 : left;
  });
  const drawn = phases.map(({ name, median, values }, index) => {
    const [begin, end] = [begins[index] ?? left, begins[index + 1] ?? width];
    const [one, other] = [values[0], values.at(-1)];
    const line =
      index === 0
        ? ''
        : path(`M${begin.toFixed(1)} 4V${top + high}`, `${stroke('inkQuiet', 1.5)} stroke-dasharray="4 3"`);
    const bar =
      median === null || !one || !other
        ? ''
        : path(
            `M${(x(one.date) - 8).toFixed(1)} ${y(median).toFixed(1)}H${(x(other.date) + 8).toFixed(1)}`,
            stroke('slate', 3),
          );
    return line + bar + label(begin + (index === 0 ? 0 : 4), 14, fitting(name, end - begin - 6));
  });
  const dots = all.map(
    ({ date, value }) =>
      `<circle cx="${x(date).toFixed(1)}" cy="${y(value).toFixed(1)}" r="3.5" ${fill('slate')}/>`,
  );
  const height = top + high + under;
  return picture(
    height,
    said.says,
    lines.join('') + drawn.join('') + dots.join('') + ends(said.first, said.last, left, height - 4),
  );
}
