import { foldName } from '../people/names';
import { longestTick, mostAmount } from './limits';
import type { Tick, TickColumn } from '../records/schema';

/** What was typed, as it is kept; or the sentence that says why it is nothing that stands in such a column. */
export type TickRead = Pick<Tick, 'value' | 'exempt'> | { problem: string };

/** In the languages of the schools around; folded. */
const yes = new Set(
  'yes y x v ok 1 true done ✓ ✔ ☑ + ja oui si sim wahr vrai in paid returned bezahlt erledigt'.split(' '),
);
const no = new Set([
  '',
  'no',
  'n',
  '0',
  'false',
  '-',
  '–',
  '—',
  '☐',
  'nein',
  'non',
  'nee',
  'nao',
  'falsch',
  'faux',
]);
const notAsked = new Set(['n/a', 'na', 'exempt', 'excused', 'not needed', 'entfallt', 'befreit', 'dispense']);

const nothing = { value: null, exempt: false };

/**
 * A number as people write it: `12.5`, `12,5`, `1,250.00`, `1.250,00`, `1 250`, with a unit or a sign of money around it.
 * One sign that parts three last digits is taken for a decimal only after a 0: `1,250` is over a thousand.
 * @returns null where it is none
 */
export function readNumber(written: string): number | null {
  const bare = written.replace(/[\s\u00A0\u202F'’]/g, '').replace(/^\p{Sc}|\p{Sc}$/gu, '');
  if (!/^-?\d[\d.,]*$/.test(bare)) return null;
  const last = Math.max(bare.lastIndexOf('.'), bare.lastIndexOf(','));
  if (last < 0) return Number(bare);
  const sign = bare[last] ?? '';
  const [whole, part] = [bare.slice(0, last), bare.slice(last + 1)];
  const others = whole.match(/[.,]/g) ?? [];
  const grouped = /^-?\d{1,3}([.,]\d{3})*$/;
  if (others.length === 0) {
    const isGroup = part.length === 3 && sign === ',' && !/^-?0$/.test(whole);
    return Number(isGroup ? whole + part : `${whole}.${part}`);
  }
  const digits = whole.replace(/[.,]/g, '');
  if (others.every((letter) => letter === sign)) return grouped.test(bare) ? Number(digits + part) : null;
  return grouped.test(whole) && !others.some((letter) => letter === sign)
    ? Number(`${digits}.${part}`)
    : null;
}

/** Up to three places, without zeros at the end. */
const kept = (value: number): string => String(Math.round(value * 1000) / 1000);

const numberProblem = (text: string) => ({ problem: `“${text}” is no number. What stood there is kept.` });

function readAmount(text: string, { unit, most, kind }: TickColumn): TickRead {
  const [, count = text, of] = /^(.+?)\s*(?:\/|of|von|sur|de)\s*(\d+)$/i.exec(text) ?? [];
  const withoutUnit = unit !== '' && count.endsWith(unit) ? count.slice(0, -unit.length) : count;
  const number = readNumber(withoutUnit);
  if (number === null || !Number.isFinite(number)) return numberProblem(text);
  if (number < 0 && kind !== 'number') return { problem: `“${text}” is below 0. What stood there is kept.` };
  if (Math.abs(number) > mostAmount)
    return { problem: `“${text}” is more than a million. What stood there is kept.` };
  if (of !== undefined && kind === 'ofMany' && Number(of) !== most)
    return { problem: `“${text}”: the column is out of ${most ?? 0}. What stood there is kept.` };
  if (kind === 'ofMany' && most !== null && number > most)
    return { problem: `“${text}” is more than the ${most}. What stood there is kept.` };
  return { value: kept(number), exempt: false };
}

/**
 * What somebody typed, or what stood in a cell, for a column.
 * @param readDay a day as people write it, as `YYYY-MM-DD`; null where it is none
 */
export function readTick(
  column: TickColumn,
  written: string,
  readDay: (written: string) => string | null,
): TickRead {
  const text = written.replace(/\s+/g, ' ').trim();
  const folded = foldName(text).trim() || text;
  if (text === '') return nothing;
  if (notAsked.has(folded)) return { value: null, exempt: true };
  switch (column.kind) {
    case 'tick':
      if (yes.has(folded)) return { value: 'yes', exempt: false };
      if (no.has(folded)) return nothing;
      return { problem: `“${text}” says neither yes nor no. What stood there is kept.` };
    case 'ofMany':
      return yes.has(folded) && folded !== '1' && column.most !== null
        ? { value: kept(column.most), exempt: false }
        : readAmount(text, column);
    case 'fee':
    case 'number':
      return readAmount(text, column);
    case 'date': {
      const day = readDay(text);
      return day === null
        ? { problem: `“${text}” is no day, as 4 December or 2026-12-04. What stood there is kept.` }
        : { value: day, exempt: false };
    }
    case 'choice': {
      const own = column.choices.filter((choice) => foldName(choice).startsWith(foldName(text)));
      const found = own.find((choice) => foldName(choice) === foldName(text)) ?? own[0];
      const isSure = found !== undefined && (own.length === 1 || foldName(found) === foldName(text));
      return isSure
        ? { value: found, exempt: false }
        : { problem: `“${text}” is none of ${column.choices.join(', ')}. What stood there is kept.` };
    }
    case 'text':
      return text.length > longestTick
        ? { problem: `At most ${longestTick} characters. What stood there is kept.` }
        : { value: text, exempt: false };
  }
}
