import type { TickColumn } from '../records/schema';
import type { TickKind } from './limits';
import { moneyWords } from './tickWords';

/** What stands in a column of a kind, as teachers choose it. */
export const kindWords: Record<TickKind, string> = {
  tick: 'Tick',
  ofMany: 'So many of',
  number: 'Number',
  text: 'Words',
  date: 'Day',
  choice: 'One of a few',
  fee: 'Fee',
};

/** What a column holds, with its numbers and choices in words. */
export function holdsWords({ kind, most, unit, choices }: TickColumn): string {
  if (kind === 'ofMany') return `${kindWords.ofMany} ${most ?? 0}`;
  if (kind === 'choice') return choices.join(', ');
  if (kind === 'fee') return most === null ? kindWords.fee : `${kindWords.fee} of ${moneyWords(most, unit)}`;
  return kind === 'number' && unit !== '' ? `${kindWords.number}, ${unit}` : kindWords[kind];
}

/** What the columns of a sheet mean: a row each, by their numbers for paper. */
export function legendTable(columns: readonly TickColumn[]): (string | number | null)[][] {
  return [
    ['Number', 'Column', 'What stands there', 'Due', 'Legend'],
    ...columns.map((column) => [
      ...[column.number, column.name, holdsWords(column)],
      ...[column.dueOn ?? '', column.legend],
    ]),
  ];
}
