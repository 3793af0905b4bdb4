import type { WatchItem } from './watchClass';
import type { ClearedItem } from './cleared';
import { many } from '../../words/many';
import { counted, day, percent } from './words';

/** A record that a fact rests on: a lesson, a note, a step or a piece of work; of a whole day the date is its id. */
export interface FactRecord {
  id: string;
  day: string;
}

/** A sentence of a summary, and what it rests on, the earliest first. */
export interface Fact {
  sentence: string;
  records: FactRecord[];
}

export interface SummaryInput {
  name: string;
  /** Attendance in each class. */
  classes: readonly {
    name: string;
    taken: number;
    missed: number;
    late: number;
    missedLessons: readonly FactRecord[];
  }[];
  items: readonly (Pick<WatchItem, 'concern' | 'sentence' | 'evidence'> & { className: string })[];
  cleared: readonly Pick<ClearedItem, 'sentence'>[];
  /** Days are those at the school. */
  steps: readonly { id: string; kind: string; day: string; text: string }[];
  notes: readonly { id: string; day: string }[];
}

function attendanceFact({ name, taken, missed, late, missedLessons }: SummaryInput['classes'][number]): Fact {
  const lates = late > 0 ? ` and came late to ${late}` : '';
  const all =
    missed === 0
      ? `was there in all ${counted(taken, 'lesson')} taken`
      : `missed ${missed} of ${many(taken, 'lesson')} taken (${percent(missed / taken)})`;
  return { sentence: `${name}: ${all}${lates}.`, records: [...missedLessons] };
}

/** What all evidence of an item rests on; what several pieces of it rest on is named once. */
function behind(evidence: WatchItem['evidence']): FactRecord[] {
  const points = evidence.flatMap(({ points: all, since }) => all.filter(({ date }) => date >= since));
  const days = new Map(points.map(({ source, date }) => [source, date]));
  return [...days].map(([id, on]) => ({ id, day: on })).sort((a, b) => (a.day < b.day ? -1 : 1));
}

/**
 * A draft about one student from what is recorded, sentence by sentence; each tied to its records. It says
 * what was seen and leaves out what it means.
 */
export function draftSummary({ name, classes, items, cleared, steps, notes }: SummaryInput): Fact[] {
  const facts: Fact[] = classes.filter(({ taken }) => taken > 0).map(attendanceFact);
  for (const { sentence, evidence, className } of items)
    facts.push({
      sentence: `In ${className}: ${sentence}`,
      records: behind(evidence),
    });
  for (const { sentence } of cleared) facts.push({ sentence: `${name}: ${sentence}`, records: [] });
  for (const { id, kind, day: on, text } of steps)
    facts.push({
      sentence: `${kind} on ${day(on)}${text ? `: ${text.replace(/\.$/, '')}` : ''}.`,
      records: [{ id, day: on }],
    });
  const last = notes.at(-1);
  if (last)
    facts.push({
      sentence: `${counted(notes.length, 'note')} this term, the last on ${day(last.day)}.`.replace(
        /^./,
        (letter) => letter.toUpperCase(),
      ),
      records: notes.map(({ id, day: on }) => ({ id, day: on })),
    });
  return facts;
}
