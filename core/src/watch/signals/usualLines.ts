export interface LevelLines {
  shares: readonly number[];
  /** From this many taken lessons on a share is said at all. */
  fewestTaken: number;
  inARow: number;
  missingOfFive: number;
}

/** 5, 10 and 20 % of lessons missed from 15 taken on, three in a row, three of the last five pieces. */
export const usualLines: LevelLines = {
  shares: [0.05, 0.1, 0.2],
  fewestTaken: 15,
  inARow: 3,
  missingOfFive: 3,
};
