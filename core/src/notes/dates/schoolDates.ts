import { addDays } from '../../calendar/localTime';
import { weekdayNamed, type Rule } from './dayMeant';

import { lengthsOfTime } from './lengthsOfTime';
import { relativeDays } from './relativeDays';
import { writtenDays } from './writtenDays';
import type { DateContext, Found } from './dayMeant';

const weekdayNames: Rule[] = [
  [
    new RegExp(
      `\\b(?:(the next|this coming|the coming|coming|this past|past|the last|last|this|in next|next) )?((?:mon|tues|wednes|thurs|fri|satur|sun)day|mon|tues?|weds?|thurs?|thur|thu|fri)\\b(?!day)(?=(['’]s)?)`,
      'gi',
    ),
    ({ 1: which = '', 2: name = '', 3: owned, input = '', index = 0 }, context) => {
      const found = weekdayNamed(which, name, context);
      if (owned && found.before && /\b(?:from|of|since) $/i.test(input.slice(0, index)))
        return { date: found.before, tense: 'past' };
      // "Friday's retake went well": the sentence says when; alone it is the last one as often as the next.
      return owned && found.tense === 'open' ? { ...found, owned: true } : found;
    },
  ],
  // "Glasses ready sat, back row ok after": nobody has sat there.
  [
    /(?<=\b(?:ready|finished|open|free|closed|party|match|game|fair|concert|trip|meets?|starts?|ends?|away|due) )(sat|sun)\b(?=\s*(?:$|[.,;!?\n]))/gi,
    ([, name = ''], context) => weekdayNamed('', name, context),
  ],
  [
    /\b(?:last|this past) (?:year|month|week|term|lesson|time|class)\b/gi,
    ([text], { today }) => ({ date: addDays(today, /year/i.test(text) ? -365 : -7), tense: 'past' }),
  ],
];

/** What a school says and a language library does not; the first that fits a place is taken. */
const rules: Rule[] = [...lengthsOfTime, ...relativeDays, ...writtenDays, ...weekdayNames];

export function overlaps(a: { from: number; to: number }, b: { from: number; to: number }): boolean {
  return a.from < b.to && b.from < a.to;
}

/** The days that a school's own expressions and written dates name. */
export function schoolDates(text: string, context: DateContext): Found[] {
  const found: Found[] = [];
  for (const [pattern, read] of rules) {
    for (const match of text.matchAll(pattern)) {
      const span = { from: match.index, to: match.index + match[0].trimEnd().length };
      const result = found.some((other) => overlaps(other, span)) ? null : read(match, context);
      if (result) found.push({ ...span, ...result });
    }
  }
  return found;
}
