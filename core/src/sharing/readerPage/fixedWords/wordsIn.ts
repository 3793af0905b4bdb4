import type { PageLanguage } from '../language';
import { ar } from './ar';
import { de } from './de';
import { en, type FixedWords } from './en';
import { es } from './es';
import { fr } from './fr';
import { pl } from './pl';
import { uk } from './uk';
import { vi } from './vi';

const byLanguage: Record<PageLanguage, FixedWords> = { en, es, fr, de, pl, ar, uk, vi };

type Values = Readonly<Record<string, string | number>>;

/** A page's fixed words in a language. @returns a word with its braces filled */
export function wordsIn(language: PageLanguage): (word: keyof FixedWords, values?: Values) => string {
  return (word, values = {}) =>
    byLanguage[language][word].replace(/\{(\w+)\}/g, (_whole, name: string) => String(values[name] ?? ''));
}
