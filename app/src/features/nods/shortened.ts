const longestLabel = 17;

/** A label that fits beside a bar of a chart. */
export const shortened = (label: string): string =>
  label.length > longestLabel ? `${label.slice(0, longestLabel - 1)}…` : label;
