import { byName, type NameOrder } from '@slate-path/core/people/names';
import type { Student } from '@slate-path/core/records/schema';
import { keptChoice } from './keptChoice';

/** How lists of students are ordered on this device, on every page. */
export const { use: useNameOrder, choose: chooseNameOrder } = keptChoice<NameOrder>('slate-name-order', [
  'given',
  'family',
]);

export const nameOrders: { value: NameOrder; label: string }[] = [
  { value: 'given', label: 'By given name' },
  { value: 'family', label: 'By family name' },
];

/** Orders anything that has a student. */
export function byStudent(order: NameOrder): (a: { student: Student }, b: { student: Student }) => number {
  const compare = byName(order);
  return (a, b) => compare(a.student, b.student);
}
