import { format, parseISO, subDays } from 'date-fns';

const weeks = 4;

/** The evenings that the last four weeks are looked at on: twice a week and today, the earliest first. */
export function eveningsBefore(today: string): string[] {
  const steps = weeks * 2;
  return Array.from({ length: steps + 1 }, (_, index) => {
    const back = Math.round(((steps - index) * 7) / 2);
    return format(subDays(parseISO(today), back), 'yyyy-MM-dd');
  });
}
