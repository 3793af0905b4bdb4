import type { LookFor, Standing, Tally, Tick, TickColumn } from '../../records/schema';
import { amountOf, tickState } from '../tickState';
import { tickId } from '../tickId';

/** What stands on a page for the clipboard besides names: what each number means, and what is in the boxes already. */
export interface Contents {
  /** By number; a line to write on where there is none. */
  legend: ReadonlyMap<number, string>;
  /** In a box of a student, by its number; empty: to be filled by hand. */
  valueOf: (studentId: string, number: number) => string;
}

const nothing = () => '';

/** Lines to write on, and empty boxes. */
export const blankContents: Contents = { legend: new Map(), valueOf: nothing };

const longest = 4;

/** What stands in a column, as short as a box is: a stroke for done, a dash for not needed. */
export function boxWords(column: TickColumn, tick: Tick | undefined): string {
  if (tick?.removed || !tick) return '';
  const state = tickState(column, tick);
  if (state === 'exempt') return '–';
  if (column.kind === 'tick' || (column.kind === 'fee' && state === 'done'))
    return state === 'done' ? 'x' : '';
  const amount = amountOf(tick);
  if (amount !== null) return String(amount);
  const value = tick.value ?? '';
  if (column.kind === 'date' && value.length === 10)
    return `${Number(value.slice(8))}.${Number(value.slice(5, 7))}.`;
  return value.slice(0, longest);
}

/** A tick-sheet: each column in the box of its number; those whose number is beyond the boxes are left out. */
export function tickContents(
  columns: readonly TickColumn[],
  ticks: Readonly<Record<string, Tick | undefined>>,
  filled: boolean,
): Contents {
  const byNumber = new Map(columns.map((column) => [column.number, column]));
  return {
    legend: new Map(
      [...byNumber].map(([number, column]) => [
        number,
        column.legend ? `${column.name}: ${column.legend}` : column.name,
      ]),
    ),
    valueOf: filled
      ? (studentId, number) => {
          const column = byNumber.get(number);
          return column ? boxWords(column, ticks[tickId(column.id, studentId)]) : '';
        }
      : nothing,
  };
}

/** The roll of a day: a box a lesson with the letter of each mark. */
export interface RolledLesson {
  /** As "P2, 10:40". */
  name: string;
  taken: boolean;
  /** By student, where there is a mark. */
  standingIds: ReadonlyMap<string, string>;
}

export function rollContents(
  lessons: readonly RolledLesson[],
  standings: readonly Standing[],
  filled: boolean,
): Contents {
  const codes = new Map(standings.map(({ id, code }) => [id, code]));
  const here = standings.find(({ countsAs, removed }) => countsAs === 'here' && !removed)?.code ?? '';
  const letters = standings.filter(({ removed }) => !removed).map(({ code, name }) => `${code} ${name}`);
  const last = Math.max(lessons.length, 1);
  return {
    legend: new Map([
      ...lessons.map(({ name }, at): [number, string] => [at + 1, name]),
      ...letters.map((text, at): [number, string] => [last + 1 + at, text]),
    ]),
    valueOf: filled
      ? (studentId, number) => {
          const lesson = lessons[number - 1];
          if (!lesson?.taken) return '';
          const standingId = lesson.standingIds.get(studentId);
          return standingId === undefined ? here : (codes.get(standingId) ?? '');
        }
      : nothing,
  };
}

/** What is tallied: a box a look-for with how often it was seen. */
export function tallyContents(
  lookFors: readonly LookFor[],
  tallies: readonly Tally[],
  filled: boolean,
): Contents {
  const counts = new Map<string, number>();
  for (const { studentId, lookForId, amount, removed } of tallies)
    if (!removed && studentId !== null) {
      const key = `${studentId} ${lookForId}`;
      counts.set(key, (counts.get(key) ?? 0) + (amount ?? 0));
    }
  const wordsOf = (measure: LookFor['measure'], count: number) =>
    measure === 'seconds' ? `${Math.round(count / 60)}′` : String(count);
  return {
    legend: new Map(lookFors.map(({ name }, at) => [at + 1, name])),
    valueOf: filled
      ? (studentId, number) => {
          const lookFor = lookFors[number - 1];
          const count = lookFor ? counts.get(`${studentId} ${lookFor.id}`) : undefined;
          return lookFor && count !== undefined && count > 0 ? wordsOf(lookFor.measure, count) : '';
        }
      : nothing,
  };
}
