/**
 * Round numbers from none to at least the largest value, four or five steps.
 * @param whole of what is counted there are no halves
 */
export function axisTicks(largest: number, whole = false): number[] {
  if (largest <= 0) return [0, 1];
  const rough = largest / 4;
  const power = 10 ** Math.floor(Math.log10(rough));
  const nice = ([1, 2, 5, 10].find((one) => one * power >= rough) ?? 10) * power;
  const step = whole ? Math.max(1, nice) : nice;
  const count = Math.ceil(largest / step - 1e-9);
  return Array.from({ length: count + 1 }, (_, index) => Math.round(index * step * 1e6) / 1e6);
}
