/** The five levels of the room's tone, from far down to far up. */
export const toneLevels = [-2, -1, 0, 1, 2] as const;
export const lowestTone = -2;
export const highestTone = 2;

const names = ['far down', 'down', 'even', 'up', 'far up'];

/** What a level is called. @param level -2 to 2; a mean is called as the level that is nearest */
export function toneName(level: number): string {
  return names[Math.min(Math.max(Math.round(level), lowestTone), highestTone) - lowestTone] ?? '';
}
