import type { LookFor } from '@slate-path/core/records/schema';

/** A goal in words: `gave evidence, 2 times`; empty without one. */
export function goalWords(
  lookForId: string | null,
  count: number | null,
  lookFors: Readonly<Record<string, LookFor>>,
): string {
  const name = lookForId === null ? undefined : lookFors[lookForId]?.name;
  if (!name) return '';
  const times = (count ?? 1) === 1 ? 'once' : `${count ?? 1} times`;
  return `${name.charAt(0).toLowerCase()}${name.slice(1)}, ${times}`;
}
