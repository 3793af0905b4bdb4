import { z } from 'zod';
import { LocalDate } from '@slate-path/core/records/schema';
import { Problem } from './problem';

/** From and to, both days included. */
export const Range = z.object({ from: LocalDate, to: LocalDate });

/** At most four years, so that nobody asks for the lessons of a thousand. */
export function checkRange({ from, to }: z.output<typeof Range>): void {
  if (from > to) throw new Problem(400, 'Not well formed', 'The range ends before it begins.');
  if (Date.parse(to) - Date.parse(from) > 4 * 366 * 86_400_000)
    throw new Problem(400, 'Too long', 'A range is at most four years. Ask for a shorter one.');
}
