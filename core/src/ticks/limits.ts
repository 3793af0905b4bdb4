/** What stands in a column: whether; so many of so many; a number; words; a day; one of some words; what was paid. */
export const tickKinds = ['tick', 'ofMany', 'number', 'text', 'date', 'choice', 'fee'] as const;
export type TickKind = (typeof tickKinds)[number];

export const longestTickName = 60;
/** What stands in a cell. */
export const longestTick = 200;
export const mostChoices = 20;
export const longestChoice = 40;
export const longestUnit = 12;
export const longestLegend = 200;
/** Changed at once. */
export const mostColumnsAtOnce = 120;
export const mostTicksAtOnce = 400;
export const mostAmount = 1_000_000;
