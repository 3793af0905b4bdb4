/** A part of a whole in percent. Never 100 where something is missing, never 0 where something is there. */
export function percentOf(part: number, whole: number): string {
  const rounded = Math.round((part / whole) * 100);
  const said = part < whole ? Math.min(rounded, 99) : rounded;
  return `${part > 0 ? Math.max(said, 1) : said}\u00A0%`;
}
