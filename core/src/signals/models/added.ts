/** Two arrays of one length, added. What the class has in common comes of all that was seen, also under suspicion. */
export function added(a: Float64Array, b: Float64Array): Float64Array {
  return a.map((value, i) => value + (b[i] ?? 0));
}
