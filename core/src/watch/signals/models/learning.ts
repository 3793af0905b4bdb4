/** The usual forgets slowly: an observation counts half after about this many more. */
const halfLife = 150;
export const kept = Math.pow(0.5, 1 / halfLife);
/** How far values scatter is learned of the whole class, and hardly forgotten: so much is kept for each one seen. */
export const scatterKept = 0.9998;
/** Of a student seen less often than this, everything teaches what is usual, however odd it looks. */
export const newUntil = 8;
/** What an odd time of the whole class teaches of a student's usual: little, but a lasting change is learned. */
export const oddTimeWorth = 0.2;
/** Shares are held by what the class has in common, so that fewer of a student's own are enough. */
export const fewSeen = 4;
