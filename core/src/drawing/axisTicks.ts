/** Round numbers from none to at least the largest value, four or five steps. */
export function axisTicks(largest: number): number[] {
  if (largest <= 0) return [0, 1];
  const rough = largest / 4;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = ([1, 2, 5, 10].find((nice) => nice * power >= rough) ?? 10) * power;
  const count = Math.ceil(largest / step - 1e-9);
  return Array.from({ length: count + 1 }, (_, index) => Math.round(index * step * 1e6) / 1e6);
}
