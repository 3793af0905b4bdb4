/**
 * Two arrays of one length, added into a third. What the class has in common comes of all that was seen, also under
 * suspicion.
 */
export function added(a: Float64Array, b: Float64Array, sums: Float64Array): Float64Array {
  for (let i = 0; i < a.length; i += 1) sums[i] = (a[i] ?? 0) + (b[i] ?? 0);
  return sums;
}
