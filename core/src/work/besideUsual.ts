import { addDays } from '../calendar/localTime';
import type { TableCell } from '../attendance/roll/rollTable';
import { median } from '../statistics/median';
import { digestOf, type DigestRange, type DigestRows } from './digest';
import { hoursOfWeek, whenWorkedWords } from './whenWorked';

/** The lengths of time that are shown, in days, and how many of each before it make what is usual. */
const lengths = [
  { days: 7, before: 8 },
  { days: 28, before: 3 },
  { days: 90, before: 1 },
] as const;

/** So many days before the last one are needed. */
export const daysForUsual = Math.max(...lengths.map(({ days, before }) => days * (before + 1)));

type Figures = Map<string, number | null>;

/** Kinds and places that are told by name. */
const mostNamed = 5;

function mostDone(rows: DigestRows, field: 'kind' | 'place'): string[] {
  const counts = new Map<string, number>();
  for (const row of rows.activity) counts.set(row[field], (counts.get(row[field]) ?? 0) + row.count);
  return [...counts]
    .sort((a, b) => b[1] - a[1])
    .slice(0, mostNamed)
    .map(([name]) => name);
}

function inWindow(rows: DigestRows, from: string, to: string): DigestRows {
  return { ...rows, activity: rows.activity.filter(({ day }) => from <= day && day <= to) };
}

const share = (part: number, whole: number) => (whole === 0 ? null : (100 * part) / whole);

function figuresOf(
  rows: DigestRows,
  range: DigestRange,
  { kinds, places }: Record<'kinds' | 'places', string[]>,
): Figures {
  const own = inWindow(rows, range.from, range.to);
  const { all } = digestOf(own, range);
  const due = all.on_time + all.late + all.missing;
  const sumOf = (field: 'kind' | 'place', name: string) =>
    own.activity.reduce((sum, row) => (row[field] === name ? sum + row.count : sum), 0);
  return new Map<string, number | null>([
    ['Students', all.students],
    ['Students who did something', all.active],
    ['Actions', all.actions],
    ...kinds.map((kind): [string, number] => [`Actions: ${kind || 'not said'}`, sumOf('kind', kind)]),
    ...places.map((place): [string, number] => [`In: ${place || 'not said'}`, sumOf('place', place)]),
    ['Work on time, percent', share(all.on_time, due)],
    ['Work late, percent', share(all.late, due)],
    ['Work missing, percent', share(all.missing, due)],
    ['Days until it was handed back, median', all.feedbackDaysMedian],
  ]);
}

const cell = (value: number | null | undefined) =>
  value === null || value === undefined ? null : Math.round(value * 10) / 10;

/**
 * A class without names over the last 7, 28 and 90 days, each beside what is usual: the median of as long a time
 * before it, up to eight times, of those of which anything is known.
 * @param rows of `daysForUsual` days up to the last one
 */
export function besideUsual(rows: DigestRows, range: Omit<DigestRange, 'from'>): TableCell[][] {
  const { to } = range;
  const first = rows.activity.reduce((day, row) => (row.day < day ? row.day : day), to);
  const names = { kinds: mostDone(rows, 'kind'), places: mostDone(rows, 'place') };
  const columns = lengths.map(({ days, before }) => {
    const windows = Array.from({ length: before + 1 }, (_, back) => {
      const last = addDays(to, -days * back);
      return { ...range, from: addDays(last, 1 - days), to: last };
    });
    const [own, ...earlier] = windows.map((one) => figuresOf(rows, one, names));
    const known = earlier.filter((_, index) => (windows[index + 1]?.from ?? '') >= first);
    const [present] = windows;
    const when = whenWorkedWords(hoursOfWeek(inWindow(rows, present?.from ?? to, to).activity));
    return { days, own, known, when };
  });
  const [{ own: labels } = { own: undefined }] = columns;
  return [
    ['Figure', ...columns.flatMap(({ days }) => [`${days} days up to ${to}`, 'Usual'])],
    ...[...(labels?.keys() ?? [])].map((label): TableCell[] => [
      label,
      ...columns.flatMap(({ own, known }) => [
        cell(own?.get(label)),
        cell(median(known.flatMap((figures) => figures.get(label) ?? []))),
      ]),
    ]),
    ['When', ...columns.flatMap(({ when }) => [when, null])],
  ];
}

/** How the usual is reckoned, for those who read the table. */
export const usualWords =
  'Usual is the median of as long a time before: of 8 times 7 days, of 3 times 28 days, of the 90 days before; only of those times of which anything is known. Shares are of the work that was due and of which something is known.';
