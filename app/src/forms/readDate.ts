import { format, isValid, parse } from 'date-fns';

const shapes = [
  'yyyy-MM-dd',
  'yyyy/MM/dd',
  'd.M.yyyy',
  'd MMMM yyyy',
  'd MMM yyyy',
  'MMMM d yyyy',
  'MMM d yyyy',
];

/**
 * A date as people type it, as `YYYY-MM-DD`. What could be two dates (3/4/2026) is not guessed: it
 * is handed back as written, and the form says what a date looks like.
 */
export function readDate(written: string): string {
  const text = written.trim().replace(/,/g, '').replace(/\s+/g, ' ');
  for (const shape of shapes) {
    const date = parse(text, shape, new Date(2000, 0, 1));
    if (isValid(date) && date.getFullYear() > 1900) return format(date, 'yyyy-MM-dd');
  }
  return text;
}
