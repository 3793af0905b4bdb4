/** Seats of a room, and other things that stand in it. */
export const mostSeats = 80;
export const mostFurniture = 40;
/** Plans of one room that are changed together. */
export const mostPlansAtOnce = 20;

export const furnitureKinds = ['board', 'screen', 'desk', 'door', 'window', 'shelf', 'table'] as const;
export type FurnitureKind = (typeof furnitureKinds)[number];
