/** Marks of sides: shapes that are told apart without any colour. The first sides of a game have the first of them. */
export const sideMarks = ['star', 'ring', 'wave', 'cross', 'arrow', 'drop', 'moon', 'flag'] as const;
export type SideMark = (typeof sideMarks)[number];

/** How sides come about: as the class sits, by chance, so that they are equally strong, or one by one. */
export const waysToForm = ['plan', 'random', 'level', 'hand'] as const;
export type WayToForm = (typeof waysToForm)[number];

export const fewestSides = 2;
export const mostSides = 8;
export const mostRounds = 99;
export const mostPoints = 100_000;
export const longestSideName = 24;
export const longestGameName = 60;
