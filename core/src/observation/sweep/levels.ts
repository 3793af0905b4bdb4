/** The engagement levels that ship, from 0; a teacher may rename them. */
export const shippedLevels: readonly [string, string, string, string] = [
  'Adrift',
  'Coasting',
  'Rowing',
  'Steering',
];

/** From lowest to highest. */
export const levels = [0, 1, 2, 3] as const;
