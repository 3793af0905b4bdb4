export const clipboardShapes = ['plan', 'list'] as const;
export type ClipboardShape = (typeof clipboardShapes)[number];

/** What the numbers of the boxes mean: lines to write on, or what is kept already. */
export const clipboardContents = ['lines', 'ticks', 'roll', 'tallies'] as const;
export type ClipboardContents = (typeof clipboardContents)[number];
