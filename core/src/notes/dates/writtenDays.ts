import { daysBetween, nextMonth, weekdayOf } from '../../calendar/localTime';
import { ahead, dayAndMonth, dayOfMonth, later, partOfMonth, weekdayOfMonth, type Rule } from './dayMeant';
import { count, monthNumber, monthWord, ordinals, someWord, weekdayNumber, weekdayWord } from './dayWords';

/** So near a day is that "1/12" is rather meant as one than as a result. */
const soonDays = 21;

const isSoon = (date: string, today: string) => daysBetween(today, date) <= soonDays;

/** What has a day of its own in a school's diary. */
const dated =
  'exams?|tests?|quiz|trip|visit|meeting|appointment|appt|party|concert|match|deadline|review|birthday|operation|op|surgery|retakes?|resits?|retests?|dentist|doctor|optician|clinic|hospital|hosp|scan|jabs?|physio|photos?|interview|audition|hearing|rehearsal|play|fair|assembly|performance|tournament|parents|starts|ends|back|check|due';

/** Days written with their number: "9 December", "4/12", "by the 7th". */
export const writtenDays: Rule[] = [
  // "Out 2.-3. December": looked at from its first day on.
  [
    new RegExp(
      `\\b(\\d{1,2})(?:st|nd|rd|th|\\.)? ?(?:-|–|to|until|till) ?(?:the )?\\d{1,2}(?:st|nd|rd|th|\\.)?(?: of)? (${monthWord})\\b\\.?`,
      'gi',
    ),
    ([, day, month = ''], context) => dayAndMonth(Number(day), monthNumber(month), null, context),
  ],
  [
    new RegExp(
      `\\b(?:(?:${weekdayWord}),? )?(?:the )?(\\d{1,2})(?:st|nd|rd|th|\\.)?(?: of)? (${monthWord})\\b\\.?(?:,? (\\d{4}))?`,
      'gi',
    ),
    ([, day, month = '', year], context) =>
      dayAndMonth(Number(day), monthNumber(month), year ? Number(year) : null, context),
  ],
  [
    new RegExp(
      `\\b(?:(?:${weekdayWord}),? )?(${monthWord})\\.? (?:the )?(\\d{1,2})(?:st|nd|rd|th)?\\b(?!:|\\.\\d)(?:,? (\\d{4}))?`,
      'gi',
    ),
    ([whole, month = '', day, year], context) => {
      // "may 2 of them": a small "may" or "mar" with a bare number is no date.
      if (/^(may|mar)\b/.test(whole) && !/\d(st|nd|rd|th)/.test(whole)) return null;
      return dayAndMonth(Number(day), monthNumber(month), year ? Number(year) : null, context);
    },
  ],
  [
    new RegExp(`\\b(?:the )?(${ordinals.join('|')})(?: of)? (${monthWord})\\b`, 'gi'),
    ([, day = '', month = ''], context) =>
      dayAndMonth(ordinals.indexOf(day.toLowerCase()) + 1, monthNumber(month), null, context),
  ],
  // "On the thirtieth", "until the ninth": nothing else follows that could be the first or the ninth of its kind.
  [
    new RegExp(
      `(?<=\\b(?:on|by|till|until|til|before|due|from|for|around|about|(?:day|date|birthday|deadline|exam|test|concert|trip|hearing|operation|appointment)(?: [a-z]+){0,4} is) )the (${ordinals.join('|')})\\b(?=\\s*(?:$|[.,;!?)\\n]|(?:and|or|but|then|at|so|if|unless|is|was|when|because|he|she|they|i|we|to|in|with|for|from|after|before|please|instead|will|would|can|could|must|should|may|might|has|had|needs|depends|seems|suits|we|you)\\b))`,
      'gi',
    ),
    ([, day = ''], context) => dayOfMonth(ordinals.indexOf(day.toLowerCase()) + 1, context),
  ],
  // "14 days until camp", at the head of a part.
  [
    new RegExp(
      `(?<=^|[.,;:\\n] ?)(${someWord}) (day|week|month)s (?:until|till|to) (?!go\\b|${weekdayWord})[a-z]+`,
      'gi',
    ),
    ([, n, unit = ''], { today }) => ahead(later(today, count(n), unit)),
  ],
  [
    new RegExp(
      `\\b(?:the )?(first|second|third|fourth|last) (${weekdayWord}) (?:in|of) (${monthWord})\\b`,
      'gi',
    ),
    ([, which = '', day = '', month = ''], context) =>
      weekdayOfMonth(which, weekdayNumber(day), monthNumber(month), context),
  ],
  [
    new RegExp(
      `(?<=\\b(?:(?:begins?|starts?|beginning|starting) (?:with|in)|from) )(${monthWord})\\b(?! \\d| (?:to|till|until)\\b)`,
      'gi',
    ),
    ([, month = ''], context) => partOfMonth('start', monthNumber(month), context),
  ],
  [
    new RegExp(
      `\\b(${someWord}) (day|week|month)s (?:to|until|till|before|to go to|to go until) (?:the |her |his |their )?(?:exam|test|trip|deadline|retest|resit|visit)\\b`,
      'gi',
    ),
    ([, n, unit = ''], { today }) => ahead(later(today, count(n), unit)),
  ],
  [
    /\b(?:the )?first of (?:the|next) month\b/gi,
    (_, { today }) => ahead(`${nextMonth(today.slice(0, 7), 1)}-01`),
  ],
  [
    new RegExp(
      `\\b(?:the )?((?:first|second|third|1st|2nd|3rd) week(?: of| in)?|end of|middle of|mid|mid-|beginning of|start of) ?(${monthWord})\\b`,
      'gi',
    ),
    ([, part = '', month = ''], context) => partOfMonth(part, monthNumber(month), context),
  ],
  // "Fri 11/12 7:45": the day of the week says which of the two it is.
  [
    new RegExp(`\\b(${weekdayWord}),? (\\d{1,2})[/.](\\d{1,2})\\b\\.?`, 'gi'),
    ([, name = '', day, month], context) => {
      const found = Number(month) > 12 ? null : dayAndMonth(Number(day), Number(month), null, context);
      return found?.date && weekdayOf(found.date) === weekdayNumber(name) ? found : null;
    },
  ],
  // "From 1.12", where nothing behind it makes it a time.
  [
    /(?<=\b(?:from|until|till|by|on|due) )(\d{1,2})\.(\d{1,2})\b(?=\s*(?:$|[,;)\n]))/gi,
    ([, day, month], context) => {
      const [d, m] = [Number(day), Number(month)];
      const found = d < 1 || d > 31 || m < 1 || m > 12 ? null : dayAndMonth(d, m, null, context);
      return found?.date && isSoon(found.date, context.today) ? found : null;
    },
  ],
  // "11.12." with a point behind the month, which no time has.
  [
    /(?<!\b(?:at|since|um) )(?<![\d.:])\b(\d{1,2})\.(\d{1,2})\.(?![\d]| (?:to|until|till) \d)/gi,
    ([, day, month], context) => {
      const [d, m] = [Number(day), Number(month)];
      return d < 1 || d > 31 || m < 1 || m > 12 ? null : dayAndMonth(d, m, null, context);
    },
  ],
  [
    /\b(\d{4})-(\d{2})-(\d{2})\b/g,
    ([, year, month, day], context) =>
      Number(month) > 12
        ? { date: null, tense: 'open', impossible: true }
        : dayAndMonth(Number(day), Number(month), Number(year), context),
  ],
  [
    /\b(\d{1,2})[/.](\d{1,2})[/.](\d{2}|\d{4})\b/g,
    ([, day, month, year], context) =>
      Number(month) > 12
        ? { date: null, tense: 'open', impossible: true }
        : dayAndMonth(Number(day), Number(month), Number(year), context),
  ],
  [
    /(?<=\b(?:by|on|till|until|til|before|due|from|for|since|next check|then|again|re-?test|re-?take|resit|trip|meeting|deadline|exam|review|visit|target|(?:each|every) (?:day|lesson|week|morning) to) (?:the )?)(\d{1,2})\/(\d{1,2})\b(?!\/)/gi,
    ([, day, month], context) =>
      Number(month) > 12
        ? { date: null, tense: 'open', impossible: true }
        : dayAndMonth(Number(day), Number(month), null, context),
  ],
  // "10/12 at 18:00".
  [
    /(?<![\d/.])\b(\d{1,2})\/(\d{1,2})\b(?=,? (?:at )?\d{1,2}[:.]\d{2}\b)/g,
    ([, day, month], context) =>
      Number(month) > 12 ? null : dayAndMonth(Number(day), Number(month), null, context),
  ],
  // "2/12 parents 15:30": a day that is soon, with a time.
  [
    /(?<![\d/.])\b(\d{1,2})\/(\d{1,2})\b(?= [^.;!?\n]{0,40}\b\d{1,2}[:.]\d{2}\b)/g,
    ([, day, month], context) => {
      const found = Number(month) > 12 ? null : dayAndMonth(Number(day), Number(month), null, context);
      return found?.date && isSoon(found.date, context.today) ? found : null;
    },
  ],
  // "Next weigh-in 1/12".
  [
    /(?<=\bnext [a-z-]+ )(\d{1,2})\/(\d{1,2})\b(?![/\d]|\.\d)/gi,
    ([, day, month], context) => {
      const found = Number(month) > 12 ? null : dayAndMonth(Number(day), Number(month), null, context);
      return found?.date && isSoon(found.date, context.today) ? found : null;
    },
  ],
  // "Talk 9/12": what has a day and no result.
  [
    /(?<=\b(?:talk|call|hearing|appointment|appt|dentist|doctor|optician|interview|concert|party|birthday|photos?) (?:on )?)(\d{1,2})\/(\d{1,2})\b(?![/\d]|\.\d)/gi,
    ([, day, month], context) => {
      const found = Number(month) > 12 ? null : dayAndMonth(Number(day), Number(month), null, context);
      return found?.date && isSoon(found.date, context.today) ? found : null;
    },
  ],
  // "Review 2: 14/12": no result is more than what it is out of.
  [
    /(?<![\d/.])\b(\d{1,2})\/(\d{1,2})\b(?![/\d]|\.\d)/g,
    ([, day, month], context) => {
      const [d, m] = [Number(day), Number(month)];
      return d > m && d <= 31 && m >= 1 && m <= 12 && !(d === 24 && m === 7)
        ? dayAndMonth(d, m, null, context)
        : null;
    },
  ],
  // "See the nurse 1/12": a result as well, unless the sentence says what is to be done soon.
  [
    /(?<![\d/.])\b(\d{1,2})\/(\d{1,2})\b(?=\s*(?:$|[.,;!?\n]))/g,
    ([, day, month], context) => {
      const found = Number(month) > 12 ? null : dayAndMonth(Number(day), Number(month), null, context);
      return found?.date && isSoon(found.date, context.today) ? { ...found, onlyAhead: true } : null;
    },
  ],
  [
    new RegExp(
      `\\b(?:(?:${weekdayWord}),? )?(?:the )(\\d{1,2})(?:st|nd|rd|th)\\b(?=\\s*(?:$|[.,;!?)\\n:–—-]|(?:and|or|but|then|at|if|so|is|was|for|when|because|he|she|they|i|we|to|please|maybe|again|latest|in|with|after|before)\\b))`,
      'gi',
    ),
    ([, day], context) => dayOfMonth(Number(day), context),
  ],
  [
    new RegExp(`\\b(${weekdayWord}),? (\\d{1,2})(?:st|nd|rd|th)\\b`, 'gi'),
    ([, name = '', day], context) => {
      const found = dayOfMonth(Number(day), context);
      // "3rd due Mon, 4th due …": no Monday is a 4th.
      return found?.date && weekdayOf(found.date) === weekdayNumber(name) ? found : null;
    },
  ],
  // "Mon 23: 4 out": a day of the month that is that day of the week.
  [
    new RegExp(`\\b(${weekdayWord}),? (\\d{1,2})\\b(?=\\s*(?:[:;)–-](?! ?\\d)|$)|: \\d)`, 'gi'),
    ([, name = '', day], context) => {
      const found = dayOfMonth(Number(day), context);
      const isThat = (date: string | null | undefined) => !!date && weekdayOf(date) === weekdayNumber(name);
      if (isThat(found?.date)) return found;
      return found && isThat(found.before) ? { date: found.before ?? null, tense: 'past' } : null;
    },
  ],
  // "Cast off 14th": in no row is so much counted.
  [
    /(?<=[a-z] )(?<!\b(?:the|a|an|his|her|their|my|this|that|came|was|is|finished|ranked|for|of|in|to|since) )(1[3-9]|2\d|3[01])(?:st|nd|rd|th)\b(?=\s*(?:$|[.;!?\n]))/gi,
    ([, day], context) => dayOfMonth(Number(day), context),
  ],
  // "Exam 11th, excused": what stands in a diary, and its day.
  [
    new RegExp(`(?<=\\b(?:${dated}) )(\\d{1,2})(?:st|nd|rd|th)\\b(?=\\s*(?:$|[.,;!?)\\n]))`, 'gi'),
    ([, day], context) => dayOfMonth(Number(day), context),
  ],
  [
    /(?<=\b(?:by|on|till|until|til|before|due) (?:the )?)(\d{1,2})(?:st|nd|rd|th)\b(?!\s+(?:time|row|try|attempt|grade|group|page|question|task|round|lesson|period))/gi,
    ([, day], context) => dayOfMonth(Number(day), context),
  ],
];
