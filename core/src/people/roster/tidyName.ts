import { foldName } from '../names';

/** A name as it stands in a cell, without what is no part of it. */
export interface TidyName {
  name: string;
  /** What stands beside it in brackets or quotes: how somebody is called. Empty where nothing does. */
  called: string;
}

const numbering = /^\s*(?:@|[-*•·–—]\s+|[([]?\d{1,3}[.):\]]+\s*|\d{1,3}\s+)(?=[\p{L}"“„'(])/u;
const titles = /^(?:mr|mrs|ms|miss|mx|herr|frau|mme|mlle|m\.|sr|sra|srta|dr)\.?\s+(?=\p{L}+[ ,])/iu;
const inBrackets = /\s*\(([^()]*)\)\s*/u;
const inQuotes = /\s*["“”„»«]([^"“”„»«]+)["“”„»«]\s*/u;
const isCalled = /^\p{L}[\p{L}\p{M}'’.-]*(?: \p{L}[\p{L}\p{M}'’.-]*)?$/u;
const notCalled =
  /^(she|he|they|her|him|them|hers|his|theirs|new|left|guest|absent|away|host|student|pupil|me|you|sen|eal|f|m|w|d)$/i;

/** A cell's name without numbering, bullets, titles, and what stands beside it in brackets. */
export function tidyName(cell: string): TidyName {
  let text = cell.replace(numbering, '').replace(titles, '');
  let called = '';
  for (const shape of [inBrackets, inQuotes]) {
    const inside = shape.exec(text)?.[1]?.trim();
    if (inside === undefined) continue;
    text = text.replace(shape, ' ');
    if (isCalled.test(inside) && !inside.split(/[ /]/).some((word) => notCalled.test(word)))
      called ||= inside;
  }
  const name = text
    .replace(/[\s*;:]+$/, '')
    .replace(/(?<=\p{L}{4})\.$/u, '')
    .replace(/\s+/g, ' ')
    .replace(/ ,/g, ',')
    .trim();
  return { name, called };
}

/** Words of which lines are made that tell of the whole list, folded; those in the second set never stand alone. */
const summaryWords = new Set(
  `weight weights weighting gewichtung coefficient puntuacion puntaje puntaje maxima total totals sum count average averages avg mean median points possible possibles maximum minimum percent percentage
  students pupils learners participants enrolled absent present printed generated exported created report end
  moyenne moyennes effectif durchschnitt mittelwert punkte moglich mogliche erreichbare gesamt summe anzahl promedio
  media medias puntos posibles totale totali punti possibili pontos possiveis gemiddelde totaal punten srednia suma punkty
  liczba ortalama toplam puan medel medelvarde medeltal poang summa antal gjennomsnitt poeng gennemsnit pisteet keskiarvo
  yhteensa medaltal stig samtals`.split(/\s+/),
);
const besideSummary = new Set(
  `max min class classe klasse clase classe turma klas klasa sinif klass luokka bekkur group grade grades score scores page list
  date due of out the de des della dello delle la del der da do van out all number no test demo sample example student pupil name names row rows
  category overall current final course section period term year on at by`.split(/\s+/),
);

/** Is a line one of the list and not of a person: "Points possible", "Class average", "Total: 28"? */
export function isSummary(name: string): boolean {
  const words = foldName(name)
    .split(/[^\p{L}]+/u)
    .filter(Boolean);
  if (words.length === 0) return false;
  const all = words.every((word) => summaryWords.has(word) || besideSummary.has(word));
  if (all && words.some((word) => summaryWords.has(word))) return true;
  if (all && words.length > 1 && words.some((word) => /^(test|demo|sample|example)$/.test(word))) return true;
  const folded = foldName(name);
  if (/^out of( .*)?$/.test(folded)) return true;
  // One word of it tells, also inside of another: "Maxpoäng", "Klassendurchschnitt".
  if (
    words.length <= 4 &&
    /poang|poeng|punkt|puntos|pontos|durchschnitt|mittelwert|gjennomsnitt|gennemsnit/.test(folded)
  )
    return true;
  return (
    /^(page|seite|pagina|sida|side)\b.*\d/.test(folded) ||
    /^(class|group|list|date|term)\b.*[:\d]/.test(folded)
  );
}
