import { dayMonth } from '../../parts/dates';
import { today } from './ticking';

/** A day, with its year where it is not this one. */
export const dayShown = (date: string): string =>
  date.slice(0, 4) === today().slice(0, 4) ? dayMonth(date) : `${dayMonth(date)} ${date.slice(0, 4)}`;
