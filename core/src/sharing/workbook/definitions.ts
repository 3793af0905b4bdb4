import { rulesFor } from '../../attendance/roll/book';
import type { BookCell, BookFrame, ClassBook } from './book';

const marks = {
  here: 'counts as here',
  late: 'counts as here, late',
  left_early: 'counts as here, left early',
  away: 'counts as away',
  not_counted: 'does not count',
} as const;

function rulesRows({ section, roll }: ClassBook): BookCell[][] {
  const { graceMinutes, awayFromShare, latesPerAbsence, creditBy } = rulesFor(roll.book, section.id);
  const rules = [
    `The first and last ${graceMinutes} minutes of a lesson are forgiven.`,
    awayFromShare === null
      ? ''
      : `Missing ${Math.round(awayFromShare * 100)} % of a lesson or more counts as away.`,
    latesPerAbsence === null ? '' : `Late ${latesPerAbsence} times counts as away once.`,
    creditBy === 'minutes' ? 'Credit goes by the minutes there.' : 'Credit goes by the mark.',
  ];
  return [[`Rules of ${section.name}`, rules.filter(Boolean).join(' ')]];
}

/** What the words of a workbook mean. */
export function definitionsSheet(books: readonly ClassBook[], frame: BookFrame): BookCell[][] {
  const standings = Object.values(books[0]?.roll.book.standings ?? {});
  const unique = [
    ...new Map(standings.filter(({ removed }) => !removed).map((one) => [one.id, one])).values(),
  ];
  return [
    ['Word', 'What it means here'],
    ['Days', `From ${frame.from} to ${frame.to}, by the clocks of ${frame.zone}.`],
    [
      'Taken',
      'Lessons whose roll was taken, while the student was in the class; set aside ones count nowhere.',
    ],
    ...unique.map(({ code, name, countsAs, excused }): BookCell[] => [
      `${name} (${code})`,
      marks[countsAs] + (excused ? ', excused' : ''),
    ]),
    ...books.flatMap(rulesRows),
    ['Percent', 'Credit divided by the lessons taken.'],
    [
      'In an hour observed',
      'What was counted, divided by the hours in which somebody looked and the student was there.',
    ],
    ['Level', `Engagement, from 0 (${frame.levels[0] ?? ''}) to 3 (${frame.levels[3] ?? ''}).`],
    ['Missing', 'Due, something is known of it, and not handed in. On time is at or before it was due.'],
  ];
}
