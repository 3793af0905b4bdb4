/** How many students as usual stand behind a class before it is believed to differ. */
const steadiness = 8;

/** A share with its odds multiplied. @param share 0 to 1 @returns 0 to 1 */
export function shifted(share: number, ratio: number): number {
  const odds = (share * ratio) / (1 - share);
  return odds / (1 + odds);
}

/**
 * How much likelier than usual a hit was for the others in the class at that time, as a ratio of odds:
 * when a cold goes round or a storm keeps the boats in, one more absence says little.
 * @param hits of the others @param expected the sum of their usual shares @param others how many
 */
export function oddsShift(hits: number, expected: number, others: number): number {
  if (others === 0) return 1;
  const usual = Math.min(0.95, Math.max(0.005, expected / others));
  const now = (hits + steadiness * usual) / (others + steadiness);
  return (now * (1 - usual)) / ((1 - now) * usual);
}
