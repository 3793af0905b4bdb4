import type { Tick, TickColumn } from '../src/records/schema';

/** A column with what matters to a test said. */
export const column = (given: Partial<TickColumn> = {}): TickColumn => ({
  ...{ id: 'c', sectionId: 's', name: 'Slip', kind: 'tick', number: 1, dueOn: null, legend: '' },
  ...{ most: null, unit: '', choices: [], shown: false, removed: false, ...given },
});
export const cell = (value: string | null, more: Partial<Tick> = {}) => ({
  ...{ value, on: null, owes: null, exempt: false, ...more },
});
