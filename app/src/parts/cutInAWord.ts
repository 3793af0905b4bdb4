/** More than this between two words would tear the row apart, in pixels. */
const most = 14;

/** Where each word of a row begins, in pixels. */
export function beginnings(widths: readonly number[], before: number, between: number): number[] {
  let x = before;
  return widths.map((width) => {
    const begins = x;
    x += width + between;
    return begins;
  });
}

/**
 * How much to put between the words of a row that is wider than its room, so that the edge cuts one in its
 * middle and one sees that it goes on; 0 where it fits, or where no middle is in reach. All in pixels.
 * @param widths of the words, in order
 * @param before what stands before the first
 */
export function cutInAWord(widths: readonly number[], before: number, room: number): number {
  const close = beginnings(widths, before, 0);
  const end = (close.at(-1) ?? 0) + (widths.at(-1) ?? 0);
  if (end <= room) return 0;
  for (let index = widths.length - 1; index > 0; index -= 1) {
    const middle = (close[index] ?? 0) + (widths[index] ?? 0) / 2;
    const needed = (room - middle) / index;
    if (needed >= 0 && needed <= most) return Math.floor(needed);
  }
  return 0;
}
