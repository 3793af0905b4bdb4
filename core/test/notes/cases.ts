import type { Named } from '../../src/notes/names';
import { nameIndex } from '../../src/notes/names';
import { readNote, type NoteContext, type NoteReading } from '../../src/notes/readNote';
import { topicIndex } from '../../src/notes/findTopics';
import { schoolDays } from '../../src/notes/schoolDays';
import { dayOff, meeting, term } from '../records';
import { moreSentencesText } from './moreSentences';
import { elsewhereText, rosterText, topicsText } from './people';
import { sentencesText } from './sentences';

const rows = (text: string) =>
  text
    .trim()
    .split('\n')
    .map((line) => line.split('|').map((cell) => cell.trim()));

const named = (text: string): Named[] =>
  rows(text).map(([id = '', givenName = '', familyName = '', called = '']) => ({
    id,
    givenName,
    familyName,
    called,
  }));

export const inHand = named(rosterText);
export const elsewhere = named(elsewhereText);
const section = 'boats';
const calendar = {
  terms: [term({ startsOn: '2026-09-07', endsOn: '2026-12-18' })],
  daysOff: [dayOff({ startsOn: '2026-12-04' })],
  meetings: [1, 2, 3, 4, 5].map((weekday) =>
    meeting({
      id: `m${weekday}`,
      sectionId: weekday % 2 === 1 ? section : 'tides',
      weekday,
      startsAt: '09:45',
      endsAt: '10:35',
    }),
  ),
  lessons: [],
};
const now = { date: '2026-11-25', time: '10:05' };

export const context: NoteContext = {
  today: now.date,
  days: schoolDays(calendar, now, section),
  roster: { index: nameIndex([...inHand, ...elsewhere]), inHand: new Set(inHand.map(({ id }) => id)) },
  topics: topicIndex(
    rows(topicsText).map(([id = '', names = '']) => ({ id, names: names.split(',').map((n) => n.trim()) })),
  ),
};

export interface NoteCase {
  text: string;
  students: string[];
  topics: string[];
  date: string | null;
}

const wordsIn = (cell: string | undefined) => (cell ?? '').split(' ').filter(Boolean);

/** Those to be asked about, in one order. */
const inOrder = (id: string) => (id.startsWith('?') ? `?${id.slice(1).split('/').toSorted().join('/')}` : id);

export const cases: NoteCase[] = [...rows(sentencesText), ...rows(moreSentencesText)].map((cells) => {
  const [day = '', topics, students] = cells.slice(-3).toReversed();
  return {
    text: cells.slice(0, -3).join(' | '),
    students: wordsIn(students).map(inOrder),
    topics: wordsIn(topics),
    date: day ? (day.length === 5 ? `2026-${day}` : day) : null,
  };
});

/** Students as the cases write them. */
export function studentsOf({ students }: NoteReading): string[] {
  return students.flatMap(({ studentIds, candidates }) =>
    studentIds.length > 0 ? studentIds : [`?${candidates.toSorted().join('/')}`],
  );
}

export interface Score {
  precision: number;
  recall: number;
}

/** How much of what was read is right, and how much of what should be was read, over all cases. */
export function score(pairs: readonly { wanted: readonly string[]; read: readonly string[] }[]): Score {
  let [right, read, wanted] = [0, 0, 0];
  for (const pair of pairs) {
    const [want, got] = [new Set(pair.wanted), new Set(pair.read)];
    right += [...got].filter((one) => want.has(one)).length;
    read += got.size;
    wanted += want.size;
  }
  return { precision: right / read, recall: right / wanted };
}

export function readCase({ text }: NoteCase): NoteReading {
  return readNote(text, context);
}
