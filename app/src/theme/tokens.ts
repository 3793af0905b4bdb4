/** The one source of type and spacing; the colours are core's, for pages that the server makes have them too. */
export { board, paper, type Palette } from '@slate-path/core/drawing/palette';

export const fonts = { text: 'Atkinson Hyperlegible Next', title: 'Bitter' } as const;

/** Sizes in px with their line heights. */
export const type = {
  small: { fontSize: 14, lineHeight: 20 },
  text: { fontSize: 16, lineHeight: 24 },
  name: { fontSize: 18, lineHeight: 24 },
  large: { fontSize: 22, lineHeight: 28 },
  title: { fontSize: 26, lineHeight: 32 },
} as const;

/** Steps of 4. */
export const space = (steps: number) => steps * 4;

export const radius = { card: 10, control: 6 } as const;
export const target = 44;
export const rowHeight = 56;
/** Of the places at the left of a wide screen. */
export const railWidth = 92;
/** From here on the rail, and pages beside each other. */
export const wideFrom = 900;
