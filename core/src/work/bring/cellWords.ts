import { foldName } from '../../people/names';

/** What is written in place of a score, or as a status. */
export type Said = 'handed_in' | 'late' | 'missing' | 'excused' | 'nothing';

const lists: Record<Exclude<Said, 'nothing'>, string> = {
  handed_in: `handed in|submitted|turned in|done|complete|completed|yes|on time|in|x|✓|✔|abgegeben|eingereicht|erledigt|ja|punktlich|
    rendu|remis|fait|oui|entregado|hecho|si|a tiempo|consegnato|fatto|entregue|feito|sim|ingeleverd|gedaan|graded|marked|returned|bewertet`,
  late: `late|submitted late|done late|turned in late|verspatet|zu spat|en retard|retard|tarde|con retraso|in ritardo|atrasado|te laat`,
  missing: `missing|not submitted|not handed in|not turned in|absent|none|no|incomplete|fehlt|fehlend|nicht abgegeben|nein|manquant|
    non rendu|non remis|non|no entregado|falta|mancante|non consegnato|em falta|nao entregue|nao|ontbreekt|niet ingeleverd|nee|no submission|missed`,
  excused: `excused|exempt|ex|excuse|befreit|entschuldigt|dispense|exento|exenta|justificado|esonerato|giustificato|isento|dispensado|vrijgesteld`,
};

const words = new Map<string, Said>(
  Object.entries(lists).flatMap(([said, list]) =>
    list.split('|').map((word): [string, Said] => [word.trim(), said as Said]),
  ),
);

const nothing = new Set(['', '-', '–', '—', '--', 'n/a', 'na', 'not assigned', 'assigned', 'not due', '.']);

/** A word of a cell; undefined where it is none of these. */
export function readSaid(cell: string): Said | undefined {
  const text = foldName(cell).trim();
  return nothing.has(text) ? 'nothing' : words.get(text);
}

/** A score: `17`, `17,5`, `17/20`, `85 %`; null where the cell is none. */
export function readScore(cell: string): { score: number; points?: number; percent?: true } | null {
  const text = cell.replace(/\s/g, '').replace(',', '.');
  const of = /^(-?\d+(?:\.\d+)?)\/(\d+(?:\.\d+)?)$/.exec(text);
  if (of) return { score: Number(of[1]), points: Number(of[2]) };
  const percent = /^(-?\d+(?:\.\d+)?)%$/.exec(text);
  if (percent) return { score: Number(percent[1]), percent: true };
  return /^-?\d+(?:\.\d+)?$/.test(text) ? { score: Number(text) } : null;
}
