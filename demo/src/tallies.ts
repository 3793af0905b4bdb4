import seedrandom, { type PRNG } from 'seedrandom';
import type { ChangeOf } from '@slate-path/core/changes/schema';
import type { Focus, LookFor } from '@slate-path/core/records/schema';

type Lesson = ChangeOf<'tally.add'>['payload']['lesson'];

/** Which set is used with which class; the others are not tallied. */
export const talliedClasses: Record<string, string> = {
  'Boat Workshop': 'Workshop',
  'Shore Ecology': 'Discussion',
  'Log-keeping': 'General conduct',
};

/** What is planted in the tallies, by given name; weeks count from 0. */
const stories: Record<string, (week: number, afternoon: boolean) => { voice?: number; trouble?: number }> = {
  // Spoke up like the others, then hardly ever.
  Odalys: (week) => (week >= 9 ? { voice: 0.15 } : {}),
  // Rising trouble after lunch.
  Nils: (week, afternoon) => (afternoon && week >= 5 ? { trouble: 0.4 + (week - 5) * 0.2 } : {}),
};

/** A number of events with this mean (Knuth, 1969). */
function poisson(mean: number, random: PRNG): number {
  const least = Math.exp(-mean);
  let count = 0;
  for (let product = random(); product > least; product *= random()) count += 1;
  return count;
}

export interface TalliedLesson {
  key: Lesson;
  week: number;
  /** Who was there. */
  there: readonly { id: string; givenName: string }[];
  /** Instant of a minute of the lesson. */
  instantOf: (minute: number) => string;
}

export type TallyChange =
  | { kind: 'tallying.set'; payload: ChangeOf<'tallying.set'>['payload'] }
  | { kind: 'tally.add'; payload: ChangeOf<'tally.add'>['payload'] };

/** Seven lessons in ten are tallied; everyone talks and strays as is their way. */
const share = 0.7;
const minutes = 50;

/**
 * The tallies of a class's lessons, lesson by lesson: that it was observed, and what was seen.
 * @param newId of a moment
 */
export function makeTallies(
  lessons: readonly TalliedLesson[],
  focus: Focus,
  lookFors: readonly LookFor[],
  newId: (at: number) => string,
): TallyChange[] {
  const random = seedrandom(`tallies ${focus.name}`);
  const habits = new Map<string, { voice: number; trouble: number }>();
  const ofTone = (tone: LookFor['tone']) =>
    lookFors.filter((one) => one.tone === tone && one.measure === 'count');
  const [wanted, unwanted] = [ofTone('wanted'), ofTone('unwanted')];
  return lessons.flatMap((lesson): TallyChange[] => {
    if (random() > share) return [];
    const afternoon = lesson.key.startsAt > '12:30';
    const seen = lesson.there.flatMap(({ id, givenName }) => {
      const habit = habits.get(id) ?? {
        voice: 0.3 + 2 * random() ** 1.5,
        trouble: 0.02 + 0.2 * random() ** 4,
      };
      habits.set(id, habit);
      const story = stories[givenName]?.(lesson.week, afternoon) ?? {};
      const of = (list: LookFor[], mean: number) =>
        Array.from({ length: poisson(mean, random) }, () => list[Math.floor(random() * list.length)]);
      const found = [
        ...of(wanted, story.voice ?? habit.voice),
        ...of(unwanted, story.trouble ?? habit.trouble),
      ];
      return found.flatMap((lookFor) =>
        lookFor
          ? [{ studentId: id, lookForId: lookFor.id, at: lesson.instantOf(4 + random() * (minutes - 6)) }]
          : [],
      );
    });
    const onAt = lesson.instantOf(3);
    const on: TallyChange = {
      kind: 'tallying.set',
      payload: { lesson: lesson.key, onAt, offAt: null, focusId: focus.id },
    };
    const tallies = seen
      .sort((a, b) => (a.at < b.at ? -1 : 1))
      .map((tally) => ({ id: newId(Date.parse(tally.at)), ...tally, amount: 1, circleId: null }));
    return tallies.length === 0
      ? [on]
      : [on, { kind: 'tally.add', payload: { lesson: lesson.key, tallies } }];
  });
}
