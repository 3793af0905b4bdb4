import { useSyncExternalStore } from 'react';
import { byName, type NameOrder } from '@slate-path/core/people/names';
import type { Student } from '@slate-path/core/records/schema';

const key = 'slate-name-order';
const listeners = new Set<() => void>();

function read(): NameOrder {
  return localStorage.getItem(key) === 'family' ? 'family' : 'given';
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** How lists of students are ordered on this device, on every page. */
export function chooseNameOrder(order: NameOrder): void {
  localStorage.setItem(key, order);
  listeners.forEach((listener) => {
    listener();
  });
}

export function useNameOrder(): NameOrder {
  return useSyncExternalStore(subscribe, read);
}

export const nameOrders: { value: NameOrder; label: string }[] = [
  { value: 'given', label: 'By given name' },
  { value: 'family', label: 'By family name' },
];

/** Orders anything that has a student. */
export function byStudent(order: NameOrder): (a: { student: Student }, b: { student: Student }) => number {
  const compare = byName(order);
  return (a, b) => compare(a.student, b.student);
}
