import { many } from '../../../words/many';
import type { Filled } from './fill';
import type { WishKind } from './wish';

/** What is wished, as a sentence without its full stop. @param names of those it is about, one or two */
export function wishWords(kind: WishKind, names: readonly string[], seats: number): string {
  const [a = '', b = ''] = names;
  switch (kind) {
    case 'apart':
      return `${a} and ${b} apart`;
    case 'together':
      return `${a} and ${b} beside each other`;
    case 'front':
      return `${a} near the front`;
    case 'notThere':
      return `${a} not on ${many(seats, 'seat')}`;
  }
}

/**
 * How a class was seated, in sentences. @param words of a wish, by its id
 */
export function filledWords(filled: Filled, words: (id: string) => string): string {
  const { kept, given, conflict, isSmallest } = filled;
  const all = kept.length + given.length;
  if (all === 0) return '';
  if (given.length === 0) return all === 1 ? 'The wish is kept.' : `All ${all} wishes are kept.`;
  const head = `${kept.length} of ${many(all, 'wish', 'wishes')} kept, not: ${given.map(words).join('; ')}.`;
  if (conflict.length === 0) return `${head} No way to keep more was found.`;
  if (conflict.length === 1) return `${head} There is no such seat.`;
  const how = isSmallest ? 'cannot all be kept' : 'cannot all be kept, nor perhaps fewer of them';
  return `${head} These ${conflict.length} ${how}: ${conflict.map(words).join('; ')}.`;
}

/**
 * How well a class was mixed, as a sentence. @param alike who sit beside somebody of their group, in pairs
 * @param grouped of how many students a group is known
 */
export function mixedWords(alike: number, grouped: number): string {
  if (grouped === 0) return 'Nothing is known to mix by: everybody sits by chance.';
  if (alike === 0) return 'Nobody sits beside somebody of their group.';
  return `${many(alike, 'pair')} of one group ${alike === 1 ? 'sits' : 'sit'} side by side.`;
}
