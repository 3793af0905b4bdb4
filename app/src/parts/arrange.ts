/** A list in lines of so many beside each other, read across; the last may be shorter. */
export function inLines<T>(all: readonly T[], across: number): T[][] {
  return Array.from({ length: Math.ceil(all.length / across) }, (_, line) =>
    all.slice(line * across, (line + 1) * across),
  );
}

/** A list in so many columns, read down; where there is too little for all of them the last are shorter or empty. */
export function inColumns<T>(all: readonly T[], columns: number): T[][] {
  const long = Math.ceil(all.length / columns);
  return Array.from({ length: columns }, (_, column) => all.slice(column * long, (column + 1) * long));
}
