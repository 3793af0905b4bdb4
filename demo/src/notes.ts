import seedrandom, { type PRNG } from 'seedrandom';
import type { Calendar } from '@slate-path/core/calendar/lessons';
import type { ChangeOf } from '@slate-path/core/changes/schema';
import { topicIndex } from '@slate-path/core/notes/findTopics';
import { happenedAt } from '@slate-path/core/notes/findTimes';
import { noCorrections, noteLinks } from '@slate-path/core/notes/links';
import { nameIndex } from '@slate-path/core/notes/names';
import { readNote } from '@slate-path/core/notes/readNote';
import { schoolDays } from '@slate-path/core/notes/schoolDays';
import { displayName, shortName } from '@slate-path/core/people/names';
import type { Student } from '@slate-path/core/records/schema';
import type { TalliedLesson } from './tallies';

type NoteChange = ChangeOf<'note.write'>['payload'];

/** Topics of the demo's teacher; "varnish" and "gloves" come up too, and are none yet. */
export const demoTopics = [
  { name: 'splicing', trouble: true, alsoCalled: [] },
  { name: 'off-task', trouble: true, alsoCalled: ['wandering'] },
  { name: 'homework', trouble: true, alsoCalled: ['log at home'] },
  { name: 'reading aloud', trouble: false, alsoCalled: [] },
  { name: 'asking for help', trouble: false, alsoCalled: [] },
];

/** Said of one student; of several where two stand in it. */
const sentences: Record<string, string[]> = {
  'Boat Workshop': [
    '{A} stuck on splicing again, third tuck',
    '{A} finished the varnish on the tiller, very clean',
    '{A} and {B} spliced the mooring line together without me',
    '{A} off task until I moved the stool, then fine',
    '{A} forgot gloves, borrowed mine',
    '{A} asked for help twice, both times after trying',
    'varnish drips on {A}’s oar, sand it back next lesson',
    '{A} lent {B} the spare gloves',
    '{A} very quiet, check in a week',
    '{A} wandering about at 11:05, says the vice was taken',
  ],
  'Shore Ecology': [
    '{A} read aloud from the tide log, first time',
    '{A} and {B} argued over the quadrat, settled it themselves',
    'no homework from {A}, promised by Friday',
    '{A} found the sea slater nobody else saw',
    '{A} off-task with {B} behind the tank',
    '{A} asked for help with the key to the seaweeds',
  ],
  'Log-keeping': [
    '{A} handed in a log of two lines, ask why tomorrow',
    '{A} read her log aloud, calm and clear',
    '{A}’s homework late again, mother knows',
    '{A} wrote a whole page about the storm day',
    '{A} stuck on the first sentence, asked for help',
  ],
};

/** What is planted: who is stuck on the same thing, and who faded. */
const planted: Record<string, { from: number; notes: string[] }> = {
  'Boat Workshop': {
    from: 9,
    notes: [
      'Dario stuck on splicing, hides the rope under the bench',
      'Odalys did not say a word today, usually first with an answer',
      'Mei Thorsen cannot get the splice to hold, near tears',
      'Odalys off task, looks tired; ask her on Monday',
      'splicing: Dario and Mei Thorsen both lose the third strand. Show them together next lesson',
    ],
  },
};

export interface NoteWorld {
  students: readonly Student[];
  topics: readonly { id: string; name: string; alsoCalled: readonly string[] }[];
  calendar: Calendar;
  newId: (at: number) => string;
}

function pick<T>(list: readonly T[], random: PRNG): T | undefined {
  return list[Math.floor(random() * list.length)];
}

/** A sentence with names in it: the whole one where somebody else in the room has the same. */
function fill(
  sentence: string,
  students: readonly (Student | undefined)[],
  there: readonly Student[],
): string {
  const [a = '', b = ''] = students.map((student) => {
    if (!student) return '';
    const alike = there.filter((other) => shortName(other) === shortName(student));
    return alike.length > 1 ? displayName(student) : shortName(student);
  });
  return sentence.replace('{A}', a).replace('{B}', b);
}

/** Notes as a teacher would have written them in a class's lessons, each read as the application reads it. */
export function makeNotes(
  className: string,
  lessons: readonly TalliedLesson[],
  room: string,
  world: NoteWorld,
): NoteChange[] {
  const random = seedrandom(`notes ${className}`);
  const own = sentences[className] ?? [];
  const index = nameIndex(world.students);
  const topics = topicIndex(
    world.topics.map(({ id, name, alsoCalled }) => ({ id, names: [name, ...alsoCalled] })),
  );
  const studentOf = new Map(world.students.map((student) => [student.id, student]));
  const story = [...(planted[className]?.notes ?? [])];
  return lessons.flatMap((lesson) => {
    const there = lesson.there.flatMap(({ id }) => studentOf.get(id) ?? []);
    const texts: string[] = [];
    for (let tries = 0; tries < 2; tries += 1) {
      const sentence = pick(own, random);
      if (sentence && random() < 0.55)
        texts.push(fill(sentence, [pick(there, random), pick(there, random)], there));
    }
    if (lesson.at.week >= (planted[className]?.from ?? 99) && random() < 0.6)
      texts.push(...story.splice(0, 1));
    return texts.map((text, at) =>
      noteOf(text, lesson.instantOf(12 + at * 9), lesson, { ...world, index, topics, room }),
    );
  });
}

interface Reading extends NoteWorld {
  index: ReturnType<typeof nameIndex>;
}

function noteOf(
  text: string,
  at: string,
  { key, there }: TalliedLesson,
  {
    index,
    topics,
    calendar,
    newId,
    room,
  }: Omit<Reading, 'topics'> & { topics: ReturnType<typeof topicIndex>; room: string },
): NoteChange {
  const now = { date: key.date, time: key.endsAt };
  const reading = readNote(text, {
    today: key.date,
    days: schoolDays(calendar, now, key.sectionId),
    roster: { index, inHand: new Set(there.map(({ id }) => id)) },
    topics,
  });
  const { students, topics: touched, doubts, lookAgainOn } = noteLinks(text, reading, noCorrections);
  return {
    id: newId(Date.parse(at)),
    text,
    at,
    happenedAt: happenedAt(reading.times, key.endsAt),
    lesson: key,
    sectionId: key.sectionId,
    place: room,
    own: /near tears|mother/.test(text),
    doubts: doubts.flatMap(({ spans, candidates }) => spans.map((span) => ({ ...span, candidates }))),
    students,
    topics: touched,
    lookAgainOn,
  };
}
