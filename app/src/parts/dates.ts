import { format, parseISO } from 'date-fns';

/** Monday 23 November */
export const longDay = (date: string) => format(parseISO(date), 'EEEE d MMMM');
/** Mon 23 Nov */
export const shortDay = (date: string) => format(parseISO(date), 'EEE d MMM');
/** 23 Nov */
export const dayMonth = (date: string) => format(parseISO(date), 'd MMM');
/** November 2026 */
export const monthName = (month: string) => format(parseISO(`${month}-01`), 'MMMM yyyy');
