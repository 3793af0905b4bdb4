import { foldName } from '../people/names';
import type { Phrase, PhraseUse } from '../records/schema';

/** A phrase as it is offered to one person. */
export interface OfferedPhrase {
  phrase: Phrase;
  favourite: boolean;
  /** ISO moment; null is never. */
  usedAt: string | null;
}

const byText = ({ phrase: a }: OfferedPhrase, { phrase: b }: OfferedPhrase) =>
  a.text.localeCompare(b.text) || (a.id < b.id ? -1 : 1);

/** Those that are there: favourites first, then what was used last, then by their words. */
export function phrasesInOrder(phrases: readonly Phrase[], uses: readonly PhraseUse[]): OfferedPhrase[] {
  const useOf = new Map(uses.filter(({ removed }) => !removed).map((use) => [use.phraseId, use]));
  return phrases
    .filter(({ removed }) => !removed)
    .map((phrase) => {
      const { favourite = false, usedAt = null } = useOf.get(phrase.id) ?? {};
      return { phrase, favourite, usedAt };
    })
    .sort(
      (a, b) =>
        Number(b.favourite) - Number(a.favourite) ||
        (b.usedAt ?? '').localeCompare(a.usedAt ?? '') ||
        byText(a, b),
    );
}

/**
 * The phrases in which every word that is typed begins a word; case and accents do not matter.
 * @param typed nothing finds all
 */
export function findPhrases<T extends Pick<OfferedPhrase, 'phrase'>>(
  offered: readonly T[],
  typed: string,
): T[] {
  const wanted = foldName(typed).split(/\s+/).filter(Boolean);
  return offered.filter(({ phrase }) => {
    const words = foldName(phrase.text).split(/[^\p{L}\p{N}]+/u);
    return wanted.every((one) => words.some((word) => word.startsWith(one)));
  });
}
