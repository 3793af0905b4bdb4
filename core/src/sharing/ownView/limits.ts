/** What a class may show its students of themselves. */
export const ownParts = ['presence', 'circles', 'nods', 'work', 'weather', 'words'] as const;
export type OwnPart = (typeof ownParts)[number];

/** So many cards are made at once. */
export const mostCards = 60;
