import type { Taken } from '@slate-path/core/api/contract';
import { Problem } from './problem';

/** At most four years, so that nobody asks for the lessons of a thousand. */
export function checkRange({ from, to }: Taken<'totals', 'query'>): void {
  if (from > to) throw new Problem(400, 'Not well formed', 'The range ends before it begins.');
  if (Date.parse(to) - Date.parse(from) > 4 * 366 * 86_400_000)
    throw new Problem(400, 'Too long', 'A range is at most four years. Ask for a shorter one.');
}
