import type { ChangeOf } from '@slate-path/core/changes/schema';
import type { Focus, LookFor } from '@slate-path/core/records/schema';
import type { SchoolLife } from './life';
import type { DemoStudent } from './people';
import type { Moment } from './stories';

type Lesson = ChangeOf<'tally.add'>['payload']['lesson'];

/** Which set is used with which class; the others are not tallied. */
export const talliedClasses: Record<string, string> = {
  'Boat Workshop': 'Workshop',
  'Shore Ecology': 'Discussion',
  'Log-keeping': 'General conduct',
};

/** A student of the demo, as the application knows one. */
export interface Pupil {
  id: string;
  student: DemoStudent;
}

export interface TalliedLesson {
  key: Lesson;
  at: Moment;
  /** Who was there. */
  there: readonly Pupil[];
  /** Instant of a minute of the lesson. */
  instantOf: (minute: number) => string;
}

/** A class's lessons that were held, and the life in them. */
export interface ClassTerm {
  className: string;
  lessons: readonly TalliedLesson[];
  life: SchoolLife;
}

export type TallyChange =
  | { kind: 'tallying.set'; payload: ChangeOf<'tallying.set'>['payload'] }
  | { kind: 'tally.add'; payload: ChangeOf<'tally.add'>['payload'] };

const minutes = 50;

/**
 * The tallies of a class's lessons, lesson by lesson: that it was observed, and what was seen.
 * @param newId of a moment
 */
export function makeTallies(
  { className, lessons, life }: ClassTerm,
  focus: Focus,
  lookFors: readonly LookFor[],
  newId: (at: number) => string,
): TallyChange[] {
  const ofTone = (tone: LookFor['tone']) =>
    lookFors.filter((one) => one.tone === tone && one.measure === 'count');
  const [wanted, unwanted] = [ofTone('wanted'), ofTone('unwanted')];
  return lessons.flatMap(({ key, at, there, instantOf }): TallyChange[] => {
    const mood = life.moodOf(at.date, className);
    if (!mood.observed) return [];
    const chance = life.chance(`tallies ${className}`, at);
    const some = (list: readonly LookFor[], mean: number) =>
      Array.from({ length: chance.poisson(mean) }, () => list[chance.whole(0, list.length - 1)]);
    const seen = there.flatMap(({ id, student }) => {
      const usual = life.usualOf(student, at);
      const found = [...some(wanted, usual.voice * mood.voice), ...some(unwanted, usual.trouble)];
      return found.flatMap((lookFor) =>
        lookFor
          ? [{ studentId: id, lookForId: lookFor.id, at: instantOf(4 + chance.uniform() * (minutes - 6)) }]
          : [],
      );
    });
    const on: TallyChange = {
      kind: 'tallying.set',
      payload: { lesson: key, onAt: instantOf(3), offAt: null, focusId: focus.id },
    };
    const tallies = seen
      .sort((a, b) => (a.at < b.at ? -1 : 1))
      .map((tally) => ({ id: newId(Date.parse(tally.at)), ...tally, amount: 1, circleId: null }));
    return tallies.length === 0 ? [on] : [on, { kind: 'tally.add', payload: { lesson: key, tallies } }];
  });
}
