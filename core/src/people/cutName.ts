import { isGivenName } from './givenNames';
import { foldName } from './names';
import { isParticle } from './particles';

/** Which part of a name written as one stands first. */
export type NameOrder = 'given_first' | 'family_first';

export interface CutName {
  givenName: string;
  familyName: string;
  /** Nothing tells for certain where the family name begins. */
  unsure: boolean;
}

/** What there is to tell by, besides the name itself. */
export interface NameHints {
  order: NameOrder;
  /** The address of the one who is so called; empty where none is known. */
  email: string;
  /** Family names of other rows, folded. */
  families: ReadonlySet<string>;
}

const isLoud = (word: string) => {
  const letters = word.replace(/[^\p{L}]/gu, '');
  return letters.length >= 2 && letters === letters.toUpperCase() && letters !== letters.toLowerCase();
};

/** Letters alone, as addresses have them. */
const bare = (text: string) => foldName(text).replace(/[^a-z]/g, '');

/** The words of an address before its @, folded, numbers left out. */
export function addressWords(email: string): string[] {
  return foldName(email.split('@')[0] ?? '')
    .replace(/\+.*/, '')
    .split(/[^a-z]+/)
    .filter(Boolean);
}

/**
 * How well an address fits a given and a family name: 3 for an initial and the family name, which hardly ever
 * comes about otherwise; 2 for both in order; 1.25 for both turned round; 1 for the given name, 0.5 for the family name alone; 0 for neither.
 */
export function addressFit(email: string, givenName: string, familyName: string): number {
  const words = addressWords(email);
  const joined = words.join('');
  const [given, family] = [bare(givenName), bare(familyName)];
  if (joined === '' || given === '' || family === '') return 0;
  const first = bare(givenName.split(/[ -]/)[0] ?? '');
  const tails = familyName.split(/[ -]/).map(bare);
  const families = [family, ...tails.filter((word) => word.length > 2)];
  const [one = '', ...rest] = words;
  const restJoined = rest.join('');
  for (const name of families) {
    if (one.length === 1 && given.startsWith(one) && restJoined.startsWith(name)) return 3;
    if (words.length === 1 && joined === given.charAt(0) + name) return 3;
    if (words.length === 1 && joined === name + given.charAt(0)) return 3;
    if (rest.length === 1 && rest[0]?.length === 1 && one === name && given.startsWith(rest[0])) return 3;
  }
  for (const name of families) {
    if ([given + name, first + name].includes(joined)) return 2;
    if ((one === given || one === first) && restJoined.includes(name)) return 2;
  }
  if (families.some((name) => joined === name + first || joined === name + given)) return 1.25;
  // Somebody who is addressed by one name alone is so by the given one.
  if (one === first || one === given) return 1;
  return families.includes(one) || families.some((name) => restJoined === name) ? 0.5 : 0;
}

const cutAt = (words: readonly string[], at: number, order: NameOrder): Omit<CutName, 'unsure'> => {
  const [front, back] = [words.slice(0, at).join(' '), words.slice(at).join(' ')];
  return order === 'given_first'
    ? { givenName: front, familyName: back }
    : { givenName: back, familyName: front };
};

/** Family names in capitals: "DUPONT Marie", "Anna VAN DER BERG". */
function byCapitals(words: readonly string[]): CutName | null {
  const loud = words.map((word) => isLoud(word) || (isParticle(word) && word === word.toUpperCase()));
  const quiet = words.filter((_, at) => !loud[at]);
  if (quiet.length === 0 || quiet.length === words.length) return null;
  if (!words.some((word, at) => loud[at] && word.replace(/[^\p{L}]/gu, '').length > 2)) return null;
  const first = loud.indexOf(true);
  const last = loud.lastIndexOf(true);
  const family = words.slice(first, last + 1);
  const oneRun = family.every((_, at) => loud[first + at]);
  if (!oneRun || (first > 0 && last < words.length - 1)) return null;
  let from = first;
  while (first > 0 && from > 1 && isParticle(words[from - 1] ?? '')) from -= 1;
  const familyName = words.slice(from, last + 1).join(' ');
  const givenName = [...words.slice(0, from), ...words.slice(last + 1)].join(' ');
  return givenName ? { givenName, familyName, unsure: false } : null;
}

/** Every place where a name could be cut, as the index of the first word of its second part. */
const places = (words: readonly string[]) =>
  Array.from({ length: words.length - 1 }, (_, index) => index + 1);

/** The cut that an address tells of; null where it tells none, or several alike. */
function byAddress(words: readonly string[], email: string, order: NameOrder): number | null {
  const local = addressWords(email);
  if (local.length === 0) return null;
  const joined = local.join('');
  const scored = places(words)
    .map((at) => {
      const { givenName, familyName } = cutAt(words, at, order);
      const family = familyName.split(' ').map(bare);
      const telling = familyName
        .split(' ')
        .filter((word) => !isParticle(word))
        .map(bare);
      const given = givenName.split(' ').map(bare);
      // The family name begins where the address begins to tell of it.
      const head = telling[0] ?? '';
      const begins =
        head.length > 1 &&
        local.some(
          (word) =>
            word === head ||
            (head.length > 3 && (word.startsWith(head) || word === (given[0]?.charAt(0) ?? '') + head)),
        );
      const whole = joined.endsWith(family.join('')) || joined.startsWith(family.join(''));
      const initials = given.map((word) => word.charAt(0)).join('');
      const rest = joined.replace(telling.join(''), '');
      const fits =
        rest !== joined && [given.join(''), initials, given[0], given[0]?.charAt(0)].includes(rest);
      return { at, score: (begins ? 2 : 0) + (whole ? 2 : 0) + (fits ? 2 : 0) };
    })
    .sort((a, b) => b.score - a.score);
  const [best, second] = scored;
  return best && best.score >= 2 && best.score > (second?.score ?? 0) ? best.at : null;
}

/** The cut at a family name that stands in other rows too; the longest of them. */
function byOthers(words: readonly string[], { families, order }: NameHints): number | null {
  const found = places(words).filter((at) => families.has(foldName(cutAt(words, at, order).familyName)));
  return (order === 'given_first' ? found[0] : found.at(-1)) ?? null;
}

/** The first particle whose name is no given one: "María del Carmen Ríos" has none, "Ana de Souza Lima" one. */
function byParticle(words: readonly string[]): number | null {
  for (let at = 1; at < words.length - 1; at += 1) {
    if (!isParticle(words[at] ?? '')) continue;
    let next = at;
    while (isParticle(words[next] ?? '') && next < words.length - 1) next += 1;
    const named = words[next] ?? '';
    if (next === words.length - 1 || !isGivenName(named)) return at;
    at = next;
  }
  return null;
}

/** Given name first: known given names lead, and what follows them is the family's. */
function givenFirst(words: readonly string[], hints: NameHints): CutName {
  const cut = (at: number, unsure: boolean): CutName => ({ ...cutAt(words, at, 'given_first'), unsure });
  const told = byAddress(words, hints.email, 'given_first') ?? byOthers(words, hints);
  let at = told ?? byParticle(words);
  if (at !== null) {
    while (at > 1 && isParticle(words[at - 1] ?? '')) at -= 1;
    return cut(at, false);
  }
  if (words.length === 2) return cut(1, false);
  // "José García y Vega": what is joined is one family name.
  const joint = words.findIndex((word, index) => index > 1 && /^[yei]$/i.test(word));
  if (joint > 0 && joint < words.length - 1) return cut(joint - 1, false);
  const leading = leadingGiven(words);
  if (leading >= words.length - 1) return cut(words.length - 1, false);
  // "Juan Carlos Pérez Gómez": two known given names and two others; with one of each it could be either.
  const surely = leading >= 2 && words.length - leading <= 2 && isGivenName(words[0] ?? '');
  return cut(leading, !surely);
}

/** How many words from the front are surely given: names that are known, initials, and "del Carmen". */
function leadingGiven(words: readonly string[]): number {
  let at = 1;
  for (let next = at; next < words.length - 1; next += 1) {
    const word = words[next] ?? '';
    if (isParticle(word)) continue;
    if (!isGivenName(word) && !/^\p{L}\.?$/u.test(word)) break;
    at = next + 1;
  }
  return at;
}

/** Family name first: its particles and one word, unless known given names at the end tell more. */
function familyFirst(words: readonly string[], hints: NameHints): CutName {
  const cut = (at: number, unsure: boolean): CutName => ({ ...cutAt(words, at, 'family_first'), unsure });
  const told = byAddress(words, hints.email, 'family_first') ?? byOthers(words, hints);
  if (told !== null) return cut(told, false);
  let after = 0;
  while (after < words.length - 2 && isParticle(words[after] ?? '')) after += 1;
  const first = after + 1;
  if (first === words.length - 1) return cut(first, false);
  const given = words.findIndex((word, index) => index >= first && isGivenName(word));
  if (given < 0) return cut(first, true);
  return cut(
    given,
    words.slice(given).some((word) => !isGivenName(word) && !isParticle(word)),
  );
}

/**
 * Given and family name of a name written as one, by the sure signs first: a comma ("Baker, Hannah"), capitals, the
 * address, family names of other rows, particles, known given names; else the last word is the family name, and with
 * more than two words that is in doubt. A single name stays one, as the given name.
 */
export function cutName(full: string, hints: NameHints): CutName {
  const name = full.replace(/\s+/g, ' ').trim();
  const comma = name.indexOf(',');
  if (comma >= 0) {
    const familyName = name.slice(0, comma).trim();
    const givenName = name
      .slice(comma + 1)
      .replace(/,/g, ' ')
      .replace(/\s+/g, ' ')
      .trim();
    const single = { givenName: familyName || givenName, familyName: '', unsure: false };
    return givenName && familyName ? { givenName, familyName, unsure: false } : single;
  }
  const words = name.split(' ').filter(Boolean);
  if (words.length < 2) return { givenName: name, familyName: '', unsure: false };
  const loud = byCapitals(words);
  if (loud) return loud;
  return hints.order === 'given_first' ? givenFirst(words, hints) : familyFirst(words, hints);
}
