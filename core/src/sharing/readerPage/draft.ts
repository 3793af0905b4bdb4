import { lowerMedian } from '../../statistics/median';
import { countStatuses, noPieces, pieceStatuses, type PieceCounts } from '../../work/pieceStatus';
import { valueWords } from '../../observation/closeWatch/words';
import { listed } from '../../words/listed';
import { many } from '../../words/many';
import type {
  ClassOnPage,
  ClassPieceOnPage,
  ClassPresenceOnPage,
  CountsOnPage,
  Dated,
  ObservationOnPage,
  PageFacts,
  PieceOnPage,
  PresenceOnPage,
  StudentOnPage,
} from './onPage';

const tenths = (value: number) => String(Math.round(value * 10) / 10);

function presenceSentence(name: string, { taken, away, late, leftEarly, excused }: PresenceOnPage): string {
  if (taken === 0) return '';
  const there =
    away === 0
      ? `${name} was there in ${taken === 1 ? 'the one lesson taken' : `all ${taken} lessons`}`
      : `${name} was there in ${taken - away} of ${many(taken, 'lesson')}`;
  const besides = [
    late > 0 ? `late in ${late}` : '',
    leftEarly > 0 ? `gone early in ${leftEarly}` : '',
  ].filter(Boolean);
  const absences =
    excused > 0
      ? ` Of the ${many(away, 'absence')} ${excused} ${excused === 1 ? 'was' : 'were'} excused.`
      : '';
  return `${there}${besides.length > 0 ? `, ${listed(besides)}` : ''}.${absences}`;
}

/** From so many lessons on two halves of them are told apart. */
const fewestToHalve = 8;

/** What was counted of a look-for, in a sentence; empty where nobody looked. */
export function countsSentence({ name, measure, lessons }: Omit<CountsOnPage, 'tone' | 'comment'>): string {
  const values = lessons.flatMap(({ value }) => (value === null ? [] : [value]));
  if (values.length === 0) return '';
  const sum = (of: readonly number[]) => of.reduce((all, value) => all + value, 0);
  const observed = `${many(values.length, 'lesson')} observed`;
  if (measure === 'tick') return `${name}: in ${sum(values)} of ${observed}.`;
  if (sum(values) === 0) return `${name}: not once in ${observed}.`;
  const unit = measure === 'seconds' ? 'minute' : 'time';
  const all = `${name}: ${many(Math.round(sum(values) * 10) / 10, unit)} in ${observed}`;
  if (values.length < fewestToHalve) return `${all}.`;
  const half = Math.floor(values.length / 2);
  const rate = (of: readonly number[]) => tenths(sum(of) / of.length);
  const [before, since] = [rate(values.slice(0, half)), rate(values.slice(half))];
  return before === since
    ? `${all}, ${before} a lesson all along.`
    : `${all}: ${before} a lesson in the first half of them, ${since} in the second.`;
}

function engagementSentence(name: string, points: readonly Dated[], levels: readonly string[]): string {
  const middle = lowerMedian(points.map(({ value }) => value));
  const level = middle === null ? undefined : levels[middle];
  return level === undefined
    ? ''
    : `In at least half of ${many(points.length, 'lesson')} looked at, ${name} was “${level}” or above.`;
}

/** The medians of what was watched closely, phase by phase; empty where nothing was observed. */
export function observationSentence({ name, method, phases }: ObservationOnPage): string {
  const parts = phases.flatMap(({ name: changed, median, values }) => {
    if (median === null) return [];
    const when = changed === '' ? 'at first' : `since “${changed}”`;
    return [`${when} ${valueWords(method, median)} (${many(values.length, 'session')})`];
  });
  return parts.length === 0 ? '' : `${name}, watched closely: ${listed(parts)}.`;
}

function workSentence(counts: PieceCounts, ofWhat: (due: number) => string): string {
  const due = counts.on_time + counts.late + counts.missing;
  if (due === 0) return '';
  const parts = [
    counts.on_time > 0 ? `${counts.on_time} came on time` : '',
    counts.late > 0 ? `${counts.late} came late` : '',
    counts.missing > 0 ? `${counts.missing} ${counts.missing === 1 ? 'is' : 'are'} missing` : '',
  ].filter(Boolean);
  return `Of ${ofWhat(due)} ${listed(parts)}.`;
}

const countsOfPieces = (pieces: readonly PieceOnPage[]) => countStatuses(pieces.map(({ status }) => status));

/**
 * A summary of what a page shows of a student, in plain sentences, to be set right by the teacher. Nothing is in it
 * that does not stand on the page.
 * @param levels what the four levels of engagement are called
 */
export function draftForReader(student: StudentOnPage, levels: readonly string[]): string {
  const { name, presence, counts, engagement, work } = student;
  const [called = name] = name.split(' ');
  return [
    presence ? presenceSentence(called, presence) : '',
    ...counts.map(countsSentence),
    ...student.observations.map(observationSentence),
    engagement ? engagementSentence(called, engagement, levels) : '',
    work ? workSentence(countsOfPieces(work), (due) => `${many(due, 'piece')} of work`) : '',
  ]
    .filter(Boolean)
    .join(' ');
}

function classPresenceSentence({ there, away, lessons }: ClassPresenceOnPage): string {
  if (lessons.length === 0 || there + away === 0) return '';
  const [most, of] = [there / lessons.length, (there + away) / lessons.length];
  return lessons.length === 1
    ? `In the one lesson taken ${there} of ${there + away} students were there.`
    : `On average ${tenths(most)} of ${tenths(of)} students were there, over ${lessons.length} lessons.`;
}

function classEngagementSentence(points: readonly Dated[], levels: readonly string[]): string {
  const middle = lowerMedian(points.map(({ value }) => value));
  const level = middle === null ? undefined : levels[middle];
  return level === undefined
    ? ''
    : `In at least half of ${many(points.length, 'lesson')} looked at, half of the class or more was “${level}” or above.`;
}

function allPieces(pieces: readonly ClassPieceOnPage[]): PieceCounts {
  const sum = noPieces();
  for (const { counts } of pieces) for (const status of pieceStatuses) sum[status] += counts[status];
  return sum;
}

/** The same of a class as a whole. */
export function draftOfClass(section: ClassOnPage, levels: readonly string[]): string {
  const { presence, counts, engagement, work } = section;
  return [
    presence ? classPresenceSentence(presence) : '',
    ...counts.map(countsSentence),
    engagement ? classEngagementSentence(engagement, levels) : '',
    work
      ? workSentence(
          allPieces(work),
          (due) => `${many(due, 'hand-in')} that ${due === 1 ? 'was' : 'were'} due`,
        )
      : '',
  ]
    .filter(Boolean)
    .join(' ');
}

/** A draft for everything that a page tells of. */
export const draftOf = ({ students, section, levels }: PageFacts): string =>
  section
    ? draftOfClass(section, levels)
    : students.map((student) => draftForReader(student, levels)).join('\n\n');
