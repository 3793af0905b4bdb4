import type { Student } from '../records/schema';

export type Named = Pick<Student, 'givenName' | 'familyName' | 'called'>;

/** How a student is addressed: the called name where there is one, then the family name. */
export function displayName({ givenName, familyName, called }: Named): string {
  return [called || givenName, familyName].filter(Boolean).join(' ');
}

/** The name to say aloud: called, given, or the only one there is. */
export function shortName({ givenName, familyName, called }: Named): string {
  return called || givenName || familyName;
}

const collator = new Intl.Collator('en', { sensitivity: 'base', numeric: true });

/** Order of a class list, by the name one says, then by family name. */
export function byDisplayName(a: Named, b: Named): number {
  return collator.compare(displayName(a), displayName(b));
}

export type NameOrder = 'given' | 'family';

/** Order of a class list by family name, then by the name one says; a single name stands by itself. */
function byFamilyName(a: Named, b: Named): number {
  const key = (named: Named) => `${named.familyName || shortName(named)}, ${shortName(named)}`;
  return collator.compare(key(a), key(b));
}

export function byName(order: NameOrder): (a: Named, b: Named) => number {
  return order === 'family' ? byFamilyName : byDisplayName;
}

/** Letters that Unicode does not take apart into a letter and a mark. */
const plainLetters: Record<string, string> = {
  ı: 'i',
  ł: 'l',
  ø: 'o',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
};

/** A name without case, accents, or spaces that differ: what two spellings of one name share. */
export function foldName(name: string): string {
  return name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[’ʼ`´]/g, "'")
    .toLowerCase()
    .replace(/[ıłøđðþßæœ]/g, (letter) => plainLetters[letter] ?? letter)
    .replace(/\s+/g, ' ')
    .trim();
}

const particles = new Set(
  'al bin binti da das de del della den der di dos du el ibn la le mac ní nic o san ter van von zu'.split(
    ' ',
  ),
);

/**
 * Given and family name of a name written as one.
 * "Family, Given" is split at the comma; else the family name is the last word with the particles
 * before it ("Bram de Wit", "Caoimhe Ní Bhriain"). A single name stays one, as the given name.
 */
export function splitName(full: string): { givenName: string; familyName: string } {
  const name = full.replace(/\s+/g, ' ').trim();
  const comma = name.indexOf(',');
  if (comma >= 0) {
    const familyName = name.slice(0, comma).trim();
    const givenName = name.slice(comma + 1).trim();
    return givenName ? { givenName, familyName } : { givenName: familyName, familyName: '' };
  }
  const words = name.split(' ');
  let first = words.length - 1;
  while (first > 1 && particles.has(words[first - 1]?.toLowerCase() ?? '')) first -= 1;
  if (first <= 0) return { givenName: name, familyName: '' };
  return { givenName: words.slice(0, first).join(' '), familyName: words.slice(first).join(' ') };
}
