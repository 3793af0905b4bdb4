/** A set with one more, or one less. */
export function withOrWithout<T extends string>(all: ReadonlySet<T>, one: T, isIn: boolean): ReadonlySet<T> {
  const next = new Set(all);
  if (isIn) next.add(one);
  else next.delete(one);
  return next;
}
