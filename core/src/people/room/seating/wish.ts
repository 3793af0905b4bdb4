/**
 * What is wished of where students sit: two far enough from each other; two beside each other; one near the front; one
 * not on some seats.
 */
export const wishKinds = ['apart', 'together', 'front', 'notThere'] as const;
export type WishKind = (typeof wishKinds)[number];

export const isOfTwo = (kind: WishKind) => kind === 'apart' || kind === 'together';

export interface Wish {
  id: string;
  kind: WishKind;
  /** Two of `apart` and `together`, else one. */
  studentIds: readonly string[];
  /** Those that `notThere` is about. */
  seats: readonly { x: number; y: number }[];
}

/** Of one class. */
export const mostWishes = 60;
