export interface Extent {
  x: number;
  width: number;
}

/** More than this between two words would tear the row apart, in pixels. */
const most = 14;

/**
 * How much to put between the words of a row that is wider than its room, so that the edge cuts one in its
 * middle and one sees that it goes on, in pixels.
 * @param words each with its place in the row, in pixels
 * @param between what stands between them already
 */
export function cutInAWord(words: readonly Extent[], room: number, between: number): number {
  const last = words.at(-1);
  if (!last || last.x + last.width - between * (words.length - 1) <= room) return 0;
  for (const [index, { x, width }] of [...words.entries()].reverse()) {
    if (index === 0) break;
    const needed = (room - (x - between * index + width / 2)) / index;
    if (needed >= 0 && needed <= most) return Math.floor(needed);
  }
  return between;
}
