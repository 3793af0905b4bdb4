import type { TableCell } from '../attendance/roll/rollTable';
import { byName, displayName, type NameOrder } from '../people/names';
import type { Student } from '../records/schema';
import { digestOf, type DigestRange, type DigestRows } from './digest';
import type { ActivityDay } from './rollUp';

export const workSheets = ['summary', 'students', 'pieces', 'days', 'definitions'] as const;
export type WorkSheet = (typeof workSheets)[number];

/** What each sheet is called. */
export const workSheetTitles: Record<WorkSheet, string> = {
  summary: 'Summary',
  students: 'Students',
  pieces: 'Pieces of work',
  days: 'Activity by day',
  definitions: 'How it is counted',
};

/** Work and activity of a class over some days, with what its tables are called by. */
export interface WorkOfClass {
  className: string;
  rows: DigestRows;
  range: DigestRange;
  students: readonly Student[];
  order: NameOrder;
}

const rounded = (value: number | null) => (value === null ? null : Math.round(value * 100) / 100);

const statusTitles = ['On time', 'Late', 'Missing', 'Excused', 'Not due yet', 'Nothing known'];
const statusCells = (counts: ReturnType<typeof digestOf>['all']): TableCell[] => [
  counts.on_time,
  counts.late,
  counts.missing,
  counts.excused,
  counts.not_due,
  counts.unknown,
];

/** A class without names: what it comes to. */
function summary({ className, rows, range }: WorkOfClass): TableCell[][] {
  const { all } = digestOf(rows, range);
  const kinds = new Map<string, number>();
  for (const { kind, count } of rows.activity) kinds.set(kind, (kinds.get(kind) ?? 0) + count);
  return [
    ['Figure', className],
    ['First day', range.from],
    ['Last day', range.to],
    ['Students', all.students],
    ['Students who did something', all.active],
    ['Actions', all.actions],
    ...[...kinds]
      .sort((a, b) => b[1] - a[1])
      .map(([kind, count]) => [`Actions: ${kind || 'not said'}`, count]),
    ['Pieces of work, for all students together', all.pieces],
    ...statusTitles.map((title, index): TableCell[] => [title, statusCells(all)[index] ?? null]),
    ['Waits to be handed back', all.waiting],
    ['Days until it was handed back, median', rounded(all.feedbackDaysMedian)],
    ['Days until it was handed back, mean', rounded(all.feedbackDaysMean)],
    ['School days until it was handed back, median', rounded(all.feedbackSchoolDaysMedian)],
    ['Percent, mean of the students', rounded(all.percentMean)],
  ];
}

function students({ rows, range, students: people, order }: WorkOfClass): TableCell[][] {
  const byId = new Map(people.map((student) => [student.id, student]));
  const { students: lines } = digestOf(rows, range);
  const title = [
    'Student',
    'Actions',
    'Days with actions',
    'Minutes known',
    'First',
    'Last',
    'Pieces',
    ...statusTitles,
    'Percent',
  ];
  const found = lines.flatMap((line) => {
    const student = byId.get(line.studentId);
    return student ? [{ student, line }] : [];
  });
  return [
    title,
    ...found
      .sort((a, b) => byName(order)(a.student, b.student))
      .map(({ student, line }): TableCell[] => [
        displayName(student),
        line.actions,
        line.activeDays,
        Math.round(line.seconds / 60),
        line.firstAt?.replace('T', ' ') ?? null,
        line.lastAt?.replace('T', ' ') ?? null,
        line.pieces,
        ...[line.on_time, line.late, line.missing, line.excused, line.not_due, line.unknown],
        rounded(line.percent),
      ]),
  ];
}

function pieces({ rows, range }: WorkOfClass): TableCell[][] {
  const byId = new Map(rows.work.map((piece) => [piece.id, piece]));
  const title = [
    'Piece of work',
    'Due',
    'Points',
    ...statusTitles,
    'Waits',
    'Days until handed back, median',
    'School days until handed back, median',
    'Percent, median',
  ];
  return [
    title,
    ...digestOf(rows, range).pieces.map((line): TableCell[] => {
      const piece = byId.get(line.workId);
      return [
        piece?.title ?? '',
        piece?.dueAt?.replace('T', ' ') ?? null,
        piece?.points ?? null,
        ...[line.on_time, line.late, line.missing, line.excused, line.not_due, line.unknown],
        line.waiting,
        rounded(line.feedbackDaysMedian),
        rounded(line.feedbackSchoolDaysMedian),
        rounded(line.percentMedian),
      ];
    }),
  ];
}

function days({ rows, students: people, order }: WorkOfClass): TableCell[][] {
  const byId = new Map(people.map((student) => [student.id, student]));
  const named = rows.activity.flatMap((row): (ActivityDay & { student: Student })[] => {
    const student = byId.get(row.studentId);
    return student ? [{ ...row, student }] : [];
  });
  const sorted = named.sort(
    (a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0) || byName(order)(a.student, b.student),
  );
  return [
    ['Student', 'Day', 'Kind', 'Place', 'Actions', 'Minutes known', 'First', 'Last'],
    ...sorted.map(({ student, day, kind, place, count, seconds, first, last }): TableCell[] => [
      displayName(student),
      day,
      kind,
      place,
      count,
      Math.round(seconds / 60),
      first.slice(11),
      last.slice(11),
    ]),
  ];
}

/** What each word means: of two conventions, which one. */
function definitions({ range: { zone, asOf, graceMinutes = 0 } }: WorkOfClass): TableCell[][] {
  return [
    ['Word', 'What it means here'],
    ['Times', `Clocks of ${zone}. What came after ${asOf.replace('T', ' ')} is not known.`],
    ['Did something', 'At least one action on a day in the class, of the kinds that were brought in.'],
    [
      'On time',
      `Handed in at or before it was due${graceMinutes > 0 ? ` and ${graceMinutes} minutes of grace` : ''}; without a known time it counts as on time.`,
    ],
    ['Late', 'Handed in after it was due. Until then it was missing.'],
    ['Missing', 'Due, known, and not handed in.'],
    ['Excused', 'As somebody said; it counts neither as on time nor as missing.'],
    ['Nothing known', 'Due, and nobody said anything of this student.'],
    ['Waits', 'Handed in and not handed back.'],
    [
      'Days until handed back',
      'Elapsed time in days of 24 hours; of an even number the median is the mean of the two in the middle.',
    ],
    [
      'School days until handed back',
      'Days with school after the day on which it was handed in, up to the day on which it was handed back; on the same day it is none. A day with school lies in a term, from Monday to Friday or on a weekday on which a class meets, and is not off.',
    ],
    [
      'Percent of a student',
      'The sum of the scores over the sum of the points: a piece of more points weighs more. (The mean of percents would weigh all alike.)',
    ],
    ['Percent of the class', 'The mean of the students’ percents.'],
    ['Minutes known', 'Only where the source says how long something took; what is read leaves no trace.'],
  ];
}

const tables: Record<WorkSheet, (work: WorkOfClass) => TableCell[][]> = {
  summary,
  students,
  pieces,
  days,
  definitions,
};

/** One of the tables, the first row its heading. */
export const workTable = (sheet: WorkSheet, work: WorkOfClass): TableCell[][] => tables[sheet](work);
