import type { ObservationEvent } from '../../records/schema';

/** How often something was seen with the same before and after. */
export interface BeforeAfter {
  /** Empty: not said. */
  before: string;
  after: string;
  count: number;
}

/** What came before and what followed, the most frequent first. Events of which neither was said are left out. */
export function beforeAfterOf(events: readonly Pick<ObservationEvent, 'before' | 'after'>[]): BeforeAfter[] {
  const found = new Map<string, BeforeAfter>();
  for (const { before, after } of events) {
    if (before === '' && after === '') continue;
    const key = JSON.stringify([before, after]);
    const known = found.get(key);
    if (known) known.count += 1;
    else found.set(key, { before, after, count: 1 });
  }
  return [...found.values()].sort((a, b) => b.count - a.count);
}
