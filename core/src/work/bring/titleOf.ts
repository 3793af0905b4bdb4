/** "Essay 1 (20)", "Essay 1 [20 pts]", "Essay 1 / 20": a title with its points. */
export function titleOf(heading: string): { title: string; points: number | null } {
  const found =
    /^(.*\S)\s*[([]\s*(?:max\.?\s*|out of\s*)?(\d+(?:[.,]\d+)?)\s*(?:points?|pts?|punkte|p|marks?|puntos|punti|pontos|punten)?\s*[)\]]$/i.exec(
      heading,
    ) ?? /^(.*\S)\s*\/\s*(\d+(?:[.,]\d+)?)$/.exec(heading);
  if (!found) return { title: heading, points: null };
  return { title: found[1] ?? heading, points: Number(found[2]?.replace(',', '.')) };
}
