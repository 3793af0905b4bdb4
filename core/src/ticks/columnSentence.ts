import type { TickColumn } from '../records/schema';
import { percentOf } from '../words/percent';
import type { ColumnSums } from './columnSums';
import { amountWords, moneyWords } from './tickWords';

/** A column in words; who still owes something is a phrase of its own, for it is what one looks for. */
export interface ColumnSaid {
  /** What there is. */
  have: string;
  /** How many still owe, "none owes anything" where nobody does. */
  owe: string;
  owing: number;
}

const tenths = (value: number) => String(Math.round(value * 10) / 10);

function haveOf({ kind, most, unit }: TickColumn, sums: ColumnSums): string {
  const { asked, done, sum, mean } = sums;
  const average = mean === null ? '' : `, ${tenths(mean)} on average`;
  switch (kind) {
    case 'tick':
      return `${done} of ${asked}${asked > 0 ? ` (${percentOf(done, asked)})` : ''}`;
    case 'ofMany':
      return `${sum} of ${asked * (most ?? 0)} altogether${average}`;
    case 'number':
      return sums.numbers === 0
        ? `none of ${asked} yet`
        : `${sums.numbers} of ${asked}; ${amountWords(sum, unit)} altogether${mean === null ? '' : `, ${amountWords(Number(tenths(mean)), unit)} on average`}`;
    case 'fee':
      return `${moneyWords(sum, unit)} of ${moneyWords(sums.owed, unit)} paid`;
    case 'choice': {
      const made = sums.choices.filter(({ count }) => count > 0).map(({ name, count }) => `${name} ${count}`);
      return made.length > 0 ? made.join(', ') : `nothing chosen yet`;
    }
    case 'date':
    case 'text':
      return `${done} of ${asked}`;
  }
}

function oweOf({ kind, unit }: TickColumn, { open, part, left }: ColumnSums): string {
  const owing = open + part;
  const plural = owing === 1 ? '' : 's';
  if (owing === 0) return kind === 'fee' ? 'all is paid' : 'nothing is missing';
  if (kind === 'fee') return `${owing} still owe${plural ? '' : 's'} ${moneyWords(left, unit)}`;
  if (kind === 'choice') return `${owing} ${owing === 1 ? 'has' : 'have'} not chosen`;
  if (kind === 'ofMany') return `${owing} ${owing === 1 ? 'lacks' : 'lack'} some`;
  if (kind === 'tick') return `${owing} still owe${plural ? '' : 's'} it`;
  return `${owing} ${owing === 1 ? 'is' : 'are'} missing`;
}

/** What a column says of a class, for the page's sentence. */
export function columnSentence(column: TickColumn, sums: ColumnSums): ColumnSaid {
  return { have: haveOf(column, sums), owe: oweOf(column, sums), owing: sums.open + sums.part };
}
