/** What becomes of a letter: it is taken; refused for good; put off; taken slowly; or the connection is cut in its middle. */
export const behaviours = ['take', 'nobody', 'full', 'later', 'slow', 'cut'] as const;
export type Behaviour = (typeof behaviours)[number];

/** These are so the first time only. */
const once: ReadonlySet<Behaviour> = new Set(['later', 'cut'] as const);

/**
 * What becomes of a letter to an address, by its first word: `nobody@…` is refused, `full.mei@…` too, `later@…` is put
 * off and `cut@…` cut the first time, `slow@…` takes three seconds; every other is taken.
 * @param tries that were made before
 */
export function behaviourOf(address: string, tries: number): Behaviour {
  const [word = ''] = address.toLowerCase().split(/[.@+-]/);
  const found = behaviours.find((one) => one === word) ?? 'take';
  return once.has(found) && tries > 0 ? 'take' : found;
}
