import { many } from '../words/many';

/** Minutes as people say them: "less than a minute", "45 minutes", "1 h 20". */
export function durationWords(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 1) return 'less than a minute';
  if (whole < 60) return many(whole, 'minute');
  const rest = whole % 60;
  return `${Math.floor(whole / 60)} h${rest > 0 ? ` ${String(rest).padStart(2, '0')}` : ''}`;
}
