import type { Tick, TickColumn } from '../records/schema';
import { amountOf, leftToPay } from './tickState';
import { moneyWords } from './tickWords';

/** A receipt as it is printed: what each line is, and what it says. */
export interface Receipt {
  title: string;
  lines: [label: string, words: string][];
}

interface Around {
  student: string;
  className: string;
  school: string;
  teacher: string;
  /** A day `YYYY-MM-DD` in words. */
  dayWords: (day: string) => string;
  today: string;
}

/** That something was paid; null where nothing was. */
export function receiptOf(column: TickColumn, tick: Tick | undefined, around: Around): Receipt | null {
  const paid = amountOf(tick) ?? 0;
  if (!tick || tick.removed || column.kind !== 'fee' || paid <= 0) return null;
  const left = leftToPay(column, tick);
  const { student, className, school, teacher, dayWords, today } = around;
  return {
    title: 'Receipt',
    lines: [
      ['For', [column.name, className].filter(Boolean).join(', ')],
      ['Paid by', student],
      ['Amount', moneyWords(paid, column.unit)],
      ['Paid on', tick.on === null ? 'day not noted' : dayWords(tick.on)],
      ['Still owed', left > 0 ? moneyWords(left, column.unit) : 'nothing'],
      ['Received by', [teacher, school].filter(Boolean).join(', ')],
      ['Written on', dayWords(today)],
    ],
  };
}
