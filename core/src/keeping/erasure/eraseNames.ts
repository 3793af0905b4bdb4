import { knownName, nameWords } from '../../people/knownName';
import { isEnglishWord } from '../../notes/englishWords';
import type { Span } from '../../notes/searchTerms';
import { wordsOf, type Word } from '../../notes/words';
import type { Student } from '../../records/schema';

type Named = Pick<Student, 'givenName' | 'familyName' | 'called'>;

/** What stands where a name was: of the same length, so that all other places stay where they are. */
export function blanked(text: string, spans: readonly Span[]): string {
  let shown = text;
  for (const { from, to } of spans) {
    const end = Math.min(to, shown.length);
    if (from < end) shown = shown.slice(0, from) + '█'.repeat(end - from) + shown.slice(end);
  }
  return shown;
}

/** What a person is found by in texts that nobody has tied to them. */
export interface ErasedNames {
  /** Words that are a part of this name and of nobody else's. */
  telling: ReadonlySet<string>;
  /** All words of the name: two beside each other are the person, whoever else has one of them. */
  all: ReadonlySet<string>;
  /** Addresses and numbers, in small letters. */
  exact: readonly string[];
  /** Words of the name that are left alone, for others have them too. */
  shared: string[];
}

/**
 * @param others everyone else the teacher has, guardians too @param exact addresses, numbers of the school's
 */
export function erasedNames(student: Named, others: readonly Named[], exact: readonly string[]): ErasedNames {
  const { first, telling } = knownName(student);
  const own = [...new Set([...first, ...telling])];
  const theirs = new Set(
    others.flatMap((one) => nameWords(`${one.givenName} ${one.familyName} ${one.called}`)),
  );
  return {
    telling: new Set(own.filter((word) => !theirs.has(word))),
    all: new Set(own),
    exact: exact.filter((text) => text.length > 2).map((text) => text.toLowerCase()),
    shared: own.filter((word) => theirs.has(word)),
  };
}

/** "T10" is not in "T101". */
function standsAlone(text: string, from: number, to: number): boolean {
  return !/[\p{L}\p{N}]/u.test(text[from - 1] ?? ' ') && !/[\p{L}\p{N}]/u.test(text[to] ?? ' ');
}

/** Two words of one name beside each other, in any order. */
function areBeside(first: Word | undefined, second: Word | undefined, all: ReadonlySet<string>): boolean {
  if (!first || !second || first.bare === second.bare || !/^[\s,-]+$/.test(second.gap)) return false;
  return all.has(first.bare) && all.has(second.bare);
}

/** Where a text has the name: any word that is nobody else's, and two of its words beside each other. */
export function namePlaces(text: string, { telling, all, exact }: ErasedNames): Span[] {
  const spans: Span[] = [];
  const lower = text.toLowerCase();
  // Lower case can have another length; then the exact ones are looked for as they are.
  const where = lower.length === text.length ? lower : text;
  for (const known of exact)
    for (let at = where.indexOf(known); at >= 0; at = where.indexOf(known, at + 1))
      if (standsAlone(where, at, at + known.length)) spans.push({ from: at, to: at + known.length });
  const words = wordsOf(text);
  words.forEach((word, at) => {
    const known = [word.bare, word.folded].find((form) => all.has(form));
    if (known === undefined) return;
    const isWord = isEnglishWord(known) && !word.capital;
    const beside = areBeside(words[at - 1], word, all) || areBeside(word, words[at + 1], all);
    if (beside || (telling.has(known) && !isWord)) spans.push({ from: word.from, to: word.to });
  });
  return spans;
}

/** A text without the name. */
export function withoutName(text: string, names: ErasedNames): string {
  return blanked(text, namePlaces(text, names));
}
