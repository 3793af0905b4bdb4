import { addDays, mondayOf, nextMonth } from '../../calendar/localTime';
import {
  ahead,
  isWeekdayNamedBefore,
  later,
  nextWeekday,
  overAlready,
  schoolDaysFrom,
  weekdayNamed,
  weekEnd,
  type Rule,
} from './dayMeant';
import { count, someWord, weekdayNumber, weekdayWord } from './dayWords';

/** Days told from today, from a lesson or from another day: "in ten days", "a week on Friday", "next lesson". */
export const relativeDays: Rule[] = [
  // "2 weeks, then review", at the head of a text.
  [
    new RegExp(
      `^(?:another )?(${someWord}) (?:more )?(day|week|fortnight|month)s?,? (?:and )?then (?:i |we )?(?:review|check|see|look|ask|talk|speak|decide|ring|swap|change|retest)\\b`,
      'gi',
    ),
    ([, n, unit = ''], { today }) => ahead(later(today, count(n), unit)),
  ],
  [
    /\bgives? (?:it|him|her|them|this) (?:(?:one|a) more|another|a) (week|fortnight)\b/gi,
    ([, unit = ''], { today }) => ahead(later(today, 1, unit)),
  ],
  // "The Monday after next", "by this time next week", "a week from today".
  [
    new RegExp(`\\b(?:the )?(${weekdayWord}) after next\\b`, 'gi'),
    ([, day = ''], { today }) => ahead(addDays(nextWeekday(today, weekdayNumber(day)), 7)),
  ],
  [/\bthis time next week\b/gi, (_, { today }) => ahead(addDays(today, 7))],
  [
    new RegExp(`\\b(${someWord}) (day|week|wk|fortnight|month)s? from (?:today|now)\\b`, 'gi'),
    ([, n, unit = ''], { today }) => ahead(later(today, count(n), unit.replace(/^wk$/i, 'week'))),
  ],
  // "Some time this week": its last day.
  [
    /\b(?:(?:at )?some ?(?:point|time)|later|later on|one day)(?: on)? this week\b/gi,
    (_, context) => ({ date: weekEnd(mondayOf(context.today), context), tense: 'open' }),
  ],
  [
    new RegExp(`\\bgives? (?:me|us|it|him|her|them) (${someWord}) (?:more )?(day|week|fortnight)s?\\b`, 'gi'),
    ([, n, unit = ''], { today }) => ({ ...ahead(later(today, count(n), unit)), tense: 'open' }),
  ],
  // "Fri wk 14": the number is the school's, of its weeks.
  [
    new RegExp(`\\b(${weekdayWord}) (?:wk|week) ?\\d{1,2}\\b`, 'gi'),
    ([, day = ''], context) => weekdayNamed('', day, context),
  ],
  // "Next 3 Mondays": the first of them.
  [
    new RegExp(`\\b(?:the )?next (?:two|three|four|five|few|[2-9]) (${weekdayWord})s\\b`, 'gi'),
    ([, day = ''], { today }) => ahead(nextWeekday(today, weekdayNumber(day))),
  ],
  [
    new RegExp(`\\b(${weekdayWord}) in (a|one|two|three|\\d) weeks?\\b`, 'gi'),
    ([, day = '', n], { today }) =>
      // On a Wednesday "Wednesday in a week" is a week from today.
      ahead(addDays(nextWeekday(addDays(today, -1), weekdayNumber(day)), 7 * count(n))),
  ],
  [
    /\btoday (?:over|in) (?:(eight|8)|fourteen|14) days\b/gi,
    ([, eight], { today }) => ahead(addDays(today, eight === undefined ? 14 : 7)),
  ],
  [
    /\b(?:(from|by|until|till|til|before|early|start of|beginning of) )?next month\b/gi,
    ([, bound], { today }) => {
      const date = `${nextMonth(today.slice(0, 7), 1)}-01`;
      return bound === undefined ? { date, tense: 'open', onlyAhead: true } : ahead(date);
    },
  ],
  // "I have given him one more week", "one more week given".
  [
    new RegExp(
      `\\bgiven (?:it |him |her |them )?(${someWord}) more (day|week|fortnight)s?\\b|\\b(${someWord}) more (day|week|fortnight)s? given\\b`,
      'gi',
    ),
    ([, a, b, c, d], { today }) => ahead(later(today, count(a ?? c), b ?? d ?? '')),
  ],
  // "Redo the report, 1 week" at the end of a note.
  [
    new RegExp(`(?<=[a-z], )(${someWord}) (day|week|fortnight)s?(?=\\s*(?:$|[.;\\n]))`, 'gi'),
    ([, n, unit = ''], { today }) => ({
      date: later(today, count(n), unit),
      tense: 'open',
      onlyAhead: true,
    }),
  ],
  [
    new RegExp(`\\b(${weekdayWord}) it is\\b`, 'gi'),
    ([, day = ''], { today }) => ahead(nextWeekday(today, weekdayNumber(day))),
  ],
  // "On the Tuesday in eight days": a week after the next one.
  [
    new RegExp(`\\b(${weekdayWord}) in (?:(eight|8)|fourteen|14) days\\b`, 'gi'),
    ([, day = '', eight], { today }) =>
      ahead(addDays(nextWeekday(today, weekdayNumber(day)), eight === undefined ? 14 : 7)),
  ],
  // "Every Friday, starting with this one".
  [
    new RegExp(
      `\\bevery (${weekdayWord})\\b[^.;!?]{0,40}\\b(?:starting|beginning) (?:with |from |on )?(?:this (?:one|week)|the next(?: one)?|now)\\b`,
      'gi',
    ),
    ([, day = ''], { today }) => ahead(nextWeekday(today, weekdayNumber(day))),
  ],
  // "Whether Thursday or Friday suits her better": nothing is settled.
  [
    new RegExp(`\\bwhether (?:it is |it's |on )?(?:${weekdayWord}) or (?:on )?(?:${weekdayWord})\\b`, 'gi'),
    overAlready,
  ],
  // "Thursday and Friday of next week": the first of them.
  [
    new RegExp(
      `\\b(${weekdayWord})(?:(?:,| and| or| to| until| till| ?[-–/]) ?(?:${weekdayWord}))+ (?:of )?next week\\b`,
      'gi',
    ),
    ([, day = ''], { today }) => ahead(addDays(mondayOf(today), 6 + weekdayNumber(day))),
  ],
  [
    new RegExp(
      `\\b(${weekdayWord}) (?:of )?next week\\b|\\bnext week(?:'s|’s)?,? (?:(?:perhaps|maybe|probably|possibly|likely|ideally|preferably|say|either) )?(?:on )?(?:the )?(${weekdayWord})\\b`,
      'gi',
    ),
    ([, a, b], { today }) => ahead(addDays(mondayOf(today), 6 + weekdayNumber(a ?? b ?? ''))),
  ],
  [/\b(?:the\s+)?lesson after next\b/gi, (_, { days }) => ahead(days.nextLesson(2))],
  [
    /\bin (a|one|two|three|four|five|\d) (?:more )?(?:lessons?|classes)(?:['’]? time)?\b/gi,
    ([, n], { days }) => ahead(days.nextLesson(count(n?.toLowerCase()))),
  ],
  [
    /\b(?:the\s+)?next (?:lesson|class|session|meeting|time(?: we meet)?)\b/gi,
    (_, { days }) => ahead(days.nextLesson(1)),
  ],
  [/\bend of (?:the )?term\b/gi, (_, { today, days }) => ahead(days.termEnd(today))],
  [
    /\b(?:after|until|till) (?:the )?(?:half[- ]term|holidays?|break week|days off)\b/gi,
    (_, { today, days }) => ahead(days.afterDaysOff(today)),
  ],
  [
    /\b(?:by |before |at )?(?:the )?end of (?:the |this )?week\b/gi,
    (_, context) => ahead(weekEnd(mondayOf(context.today), context)),
  ],
  [
    /\b(?:by |before |at )?(?:the )?end of next week\b/gi,
    (_, context) => ahead(weekEnd(addDays(mondayOf(context.today), 7), context)),
  ],
  [
    /\b(?:by |before |at )?(?:the )?end of (?:the |this )?month\b/gi,
    (_, { today }) => ahead(addDays(`${nextMonth(today.slice(0, 7), 1)}-01`, -1)),
  ],
  [
    /\b(?:before|b4|by) (?:the )?week ?end\b/gi,
    (_, context) => {
      const end = weekEnd(mondayOf(context.today), context);
      return { date: end, tense: 'open', before: addDays(end, -7) };
    },
  ],
  [/\bafter (?:the )?weekend\b/gi, (_, { today }) => ahead(addDays(mondayOf(today), 7))],
  [/\b(?:the )?(?:middle of|mid)[- ]next week\b/gi, (_, { today }) => ahead(addDays(mondayOf(today), 9))],
  [
    new RegExp(`(?<!for )\\b(${someWord}) (day|week|month)s? from tomorrow\\b`, 'gi'),
    ([, n, unit = ''], { today }) => ahead(addDays(later(today, count(n), unit), 1)),
  ],
  [
    /\b(?:early |sometime |some time |start of |beginning of |the start of |the beginning of )?next week\b/gi,
    (_, { today }) => ahead(addDays(mondayOf(today), 7)),
  ],
  [/\bweek after next\b/gi, (_, { today }) => ahead(addDays(mondayOf(today), 14))],
  [/\b(?:(?:the )?day )?after tomorrow\b/gi, (_, { today }) => ahead(addDays(today, 2))],
  [
    /\b(?:a )?(?:fortnight|two weeks|2 weeks) (?:from )?(?:today|now)\b/gi,
    (_, { today }) => ahead(addDays(today, 14)),
  ],
  [/\b(?:a|one) week (?:from )?(?:today|now)\b|\btoday week\b/gi, (_, { today }) => ahead(addDays(today, 7))],
  [/\bin (?:a|one) fortnight(?:['’]s time)?\b/gi, (_, { today }) => ahead(addDays(today, 14))],
  [/\bin (\w+) school days\b/gi, ([, n], context) => ahead(schoolDaysFrom(count(n), context))],
  [/\b(?:in|within) (24|48|72) hours\b/gi, ([, n], { today }) => ahead(addDays(today, Number(n) / 24))],
  [
    new RegExp(
      `\\b(?:in|within) (?:the next |about |around |some |maybe )?(${someWord}) (?:more )?(day|week|month)s?(?:['’]s?)?(?: time)?\\b`,
      'gi',
    ),
    ([, n, unit = ''], { today }) => ahead(later(today, count(n), unit)),
  ],
  // "After two weeks I look again": what follows says whether that lies ahead.
  [
    new RegExp(`\\bafter (?:another )?(${someWord}) (day|week|month)s?\\b`, 'gi'),
    ({ 1: n, 2: unit = '', index = 0 }, { today }) => ({
      date: later(today, count(n), unit),
      tense: 'open',
      before: later(today, -count(n), unit),
      // "Book back after 16 days".
      onlyAhead: index > 0,
    }),
  ],
  [
    new RegExp(
      `(?<=\\b(?:for|for the next|give \\p{L}+) )(?:(${someWord}|another) )?(?:more )?(day|week|fortnight)s?(?=,? (?:(?:and )?then\\b|to see\\b|and (?:i |we )?(?:see|decide|look|check|talk|speak|review|ring|ask|go)\\b))`,
      'giu',
    ),
    ([, n, unit = ''], { today }) => ahead(later(today, count(n), unit)),
  ],
  [
    new RegExp(`\\b(?:a|one|two|three|\\d) weeks? from (?:this |next )?(${weekdayWord})\\b`, 'gi'),
    ([whole, day = ''], { today }) =>
      ahead(addDays(nextWeekday(today, weekdayNumber(day)), 7 * count(whole.split(' ')[0]))),
  ],
  [
    new RegExp(
      `\\b(?:not )?(?:this |next |on )?(${weekdayWord})\\b[^.;!?]{0,30}\\b(?:but )?the (?:one|week) after\\b`,
      'gi',
    ),
    ([, day = ''], { today }) => ahead(addDays(nextWeekday(today, weekdayNumber(day)), 7)),
  ],
  // "On Monday there is no lesson, so the test moves to the day after".
  [
    new RegExp(
      `\\b(?:this |next |on )?(${weekdayWord})( week)?\\b[^.;!?]{0,60}\\bto the day after\\b(?! tomorrow)`,
      'gi',
    ),
    ([, day = '', week], { today }) =>
      ahead(addDays(nextWeekday(today, weekdayNumber(day)), week === undefined ? 1 : 8)),
  ],
  // "I want to leave it for a fortnight".
  [
    new RegExp(
      `(?<=\\b(?:leave|try|watch|let|wait) (?:[\\p{L}']+ ){0,3}for )(?:another )?(${someWord}) (day|week|fortnight)s?\\b`,
      'giu',
    ),
    ([, n, unit = ''], { today }) => ({
      date: later(today, count(n), unit),
      tense: 'open',
      onlyAhead: true,
    }),
  ],
  [
    new RegExp(`\\bthe (?:${weekdayWord}) before\\b(?! (?:the|he|she|they|we|i|it|last)\\b)`, 'gi'),
    overAlready,
  ],
  // "Put off from Thursday to the following Thursday": the one behind the day it was.
  [
    new RegExp(
      `\\b(?:moved|off|postponed|shifted|changed|delayed|back) from (${weekdayWord})(?= to\\b)`,
      'gi',
    ),
    overAlready,
  ],
  [
    new RegExp(`\\bthe following (${weekdayWord})\\b`, 'gi'),
    (match, { today }) => {
      const day = nextWeekday(today, weekdayNumber(match[1] ?? ''));
      return ahead(isWeekdayNamedBefore(match) ? addDays(day, 7) : day);
    },
  ],
  // "check again 2 wks" at the end of a note.
  [
    new RegExp(
      `(?<=\\b(?:again|back|check|review|order|due|look|retest|see) )(${someWord}) (day|week|month)s?(?=\\s*(?:$|[.;\\n]))`,
      'gi',
    ),
    ([, n, unit = ''], { today }) => ahead(later(today, count(n), unit)),
  ],
  [
    new RegExp(`\\b(?:a )?week on (${weekdayWord})\\b|\\b(${weekdayWord}) week\\b`, 'gi'),
    ([, a, b], { today }) => ahead(addDays(nextWeekday(today, weekdayNumber(a ?? b ?? '')), 7)),
  ],
];
