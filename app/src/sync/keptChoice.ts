import { useSyncExternalStore } from 'react';

/** A choice that this device keeps, the same on every page. */
export interface KeptChoice<T extends string> {
  use: () => T;
  choose: (value: T) => void;
}

/** @param options the first is the usual one */
export function keptChoice<T extends string>(key: string, options: readonly [T, ...T[]]): KeptChoice<T> {
  const listeners = new Set<() => void>();
  const read = () => options.find((option) => option === localStorage.getItem(key)) ?? options[0];
  const subscribe = (listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };
  return {
    use: () => useSyncExternalStore(subscribe, read),
    choose(value) {
      localStorage.setItem(key, value);
      listeners.forEach((listener) => {
        listener();
      });
    },
  };
}
