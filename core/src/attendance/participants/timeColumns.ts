import type { TableRow } from '../../formats/table';
import { readMoment } from './moment';

/** Seconds of a cell that is a time of day; null where it is none. */
function secondsOf(cell: string): number | null {
  if (/\p{L}{3}/u.test(cell.replace(/\b(?:gmt|utc|am|pm)\b/gi, ''))) return null;
  const moment = readMoment(cell, 'day_first');
  if (!moment) return null;
  return moment.seconds + (moment.date ? Date.parse(`${moment.date}T00:00:00Z`) / 1000 : 0);
}

const share = (of: readonly boolean[]) => (of.length === 0 ? 0 : of.filter(Boolean).length / of.length);

/** What both columns say, row by row. */
function pairs(a: readonly (number | null)[], b: readonly (number | null)[]): [number, number][] {
  return a.flatMap((value, row) => {
    const other = b[row] ?? null;
    return value === null || other === null ? [] : [[value, other] as [number, number]];
  });
}

/** A list has a few columns of times; each is compared with every two others. */
const mostTimeColumns = 12;

/**
 * Which columns tell when somebody joined and left, by their cells alone: two columns of times, the earlier of which is
 * that of joining; one alone is too. A length of time that looks like a time of day is neither. Of very many columns
 * only the first twelve of times are looked at.
 * @param open which columns may be
 */
export function rolesOfTimes(
  rows: readonly TableRow[],
  open: readonly boolean[],
): Map<number, 'joined' | 'left'> {
  const timed = open.flatMap((isOpen, index) => {
    if (!isOpen) return [];
    const cells = rows.map((row) => row.cells[index] ?? '');
    const times = cells.map(secondsOf);
    const present = cells.filter((cell) => cell !== '').length;
    const known = times.filter((time) => time !== null).length;
    return present > 0 && known / present >= 0.6 ? [{ index, times }] : [];
  });
  const columns = timed.slice(0, mostTimeColumns);
  const isLength = (column: (typeof columns)[number]) =>
    columns.some((a) =>
      columns.some((b) => {
        if (a === b || a === column || b === column) return false;
        const spans = a.times.flatMap((time, row) => {
          const [other, own] = [b.times[row] ?? null, column.times[row] ?? null];
          if (time === null || other === null || own === null) return [];
          return [own < time && Math.abs(other - time - own) < 90];
        });
        return share(spans) >= 0.8;
      }),
    );
  const [first, second] = columns.filter((column) => !isLength(column));
  const roles = new Map<number, 'joined' | 'left'>();
  if (!first) return roles;
  if (!second) return roles.set(first.index, 'joined');
  const inOrder = share(pairs(first.times, second.times).map(([a, b]) => a <= b)) >= 0.5;
  roles.set(first.index, inOrder ? 'joined' : 'left');
  return roles.set(second.index, inOrder ? 'left' : 'joined');
}
