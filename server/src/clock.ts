import type { Clock } from './services';

/**
 * The machine's clock, or the one that SLATE_NOW fixes for pictures and tests.
 * @throws a plain error when SLATE_NOW is no moment
 */
export function clockFrom(fixed: string | undefined): Clock {
  if (!fixed) return Date.now;
  const moment = Date.parse(fixed);
  if (Number.isNaN(moment)) throw new Error(`SLATE_NOW is no moment in time: ${fixed}`);
  return () => moment;
}
