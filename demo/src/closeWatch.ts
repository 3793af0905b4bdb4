import type { ChangeOf } from '@slate-path/core/changes/schema';
import { answerId } from '@slate-path/core/observation/closeWatch/ids';
import { shippedAfters, shippedBefores } from '@slate-path/core/observation/closeWatch/shipped';
import type { SchoolLife } from './life';
import { teacherName } from './scenario';
import type { TalliedLesson } from './tallies';

/** The class of the demo in which two students are watched closely. */
export const watchedClass = 'Boat Workshop';

/** A session every so many lessons, and so many before something is changed. */
const watchesEvery = 3;
const baselineSessions = 5;
const signals = 10;
/** How often it is so at a signal: at first, and after the change. */
const shares = { before: 0.42, after: 0.74 };
const agree = 0.9;
const secondObserver = 'Asa Quill';

interface Watched {
  sectionId: string;
  lessons: readonly TalliedLesson[];
  life: SchoolLife;
  /** When the class was set up, milliseconds since 1970. */
  begun: number;
}

type Kind =
  | 'observationPlan.set'
  | 'observationPhase.set'
  | 'observation.start'
  | 'observation.set'
  | 'observationEvent.set';
/** A change with when it was made, milliseconds since 1970. */
export type Made = { [K in Kind]: { kind: K; payload: ChangeOf<K>['payload']; at: number } }[Kind];

const run = {
  ...{ method: 'momentary' as const, intervalSeconds: 60, recordSeconds: 0, lengthSeconds: signals * 60 },
};

/** Two students of whom most lessons tell. */
function chosenOf(lessons: readonly TalliedLesson[]): string[] {
  const times = new Map<string, number>();
  for (const { there } of lessons) for (const { id } of there) times.set(id, (times.get(id) ?? 0) + 1);
  return [...times]
    .sort(([a, one], [b, other]) => other - one || (a < b ? -1 : 1))
    .slice(4, 6)
    .map(([id]) => id);
}

interface Session {
  lesson: TalliedLesson;
  planId: string;
  studentIds: string[];
  share: number;
  life: SchoolLife;
}

function sessionOf(
  { lesson, planId, studentIds, share, life }: Session,
  newId: (at: number) => string,
  beside: boolean,
): Made[] {
  const { key, at, instantOf } = lesson;
  const chance = life.chance('close watch', at);
  const moment = (minute: number) => Date.parse(instantOf(minute));
  const id = newId(moment(8));
  const seen = Array.from({ length: signals }, () => studentIds.map(() => chance.hit(share)));
  const answersOf = (observationId: string, flips: boolean) =>
    seen.flatMap((each, interval) =>
      studentIds.flatMap((studentId, place) => {
        // Now and then somebody asks the observer something.
        if (!flips && chance.hit(0.04)) return [];
        const own = each[place] === true;
        return [
          {
            ...{ id: answerId(observationId, interval, place), observationId, studentId },
            ...{ at: instantOf(9 + interval), until: null, interval, byHand: false, before: '', after: '' },
            seen: flips && !chance.hit(agree) ? !own : own,
          },
        ];
      }),
    );
  const begin = (observationId: string, observer: string, besideId: string | null): Made[] => [
    {
      kind: 'observation.start',
      payload: {
        ...{ lesson: key, id: observationId, planId, studentIds, ...run },
        ...{ startedAt: instantOf(8), observer, besideId },
      },
      at: moment(8),
    },
    {
      kind: 'observationEvent.set',
      payload: { lessonId: key.id, events: answersOf(observationId, besideId !== null) },
      at: moment(18),
    },
    {
      kind: 'observation.set',
      payload: { id: observationId, lessonId: key.id, endedAt: instantOf(8 + signals) },
      at: moment(18.2),
    },
  ];
  return [...begin(id, teacherName, null), ...(beside ? begin(newId(moment(8.1)), secondObserver, id) : [])];
}

/** What is watched in a class, over its lessons: a baseline, then a seat in front. @param newId of a moment */
export function makeCloseWatch(
  { sectionId, lessons, life, begun }: Watched,
  newId: (at: number) => string,
): Made[] {
  const studentIds = chosenOf(lessons);
  const watched = lessons.filter((_, at) => at % watchesEvery === 2);
  if (studentIds.length < 2 || watched.length === 0) return [];
  const planId = newId(begun);
  const plan: Made = {
    kind: 'observationPlan.set',
    payload: {
      ...{
        id: planId,
        sectionId,
        name: 'On task',
        definition: 'Hands or eyes on the work, or on who speaks',
      },
      ...{ tone: 'wanted', studentIds, ...run, signal: 'both' },
      ...{ befores: [...shippedBefores], afters: [...shippedAfters] },
    },
    at: begun,
  };
  const changed = watched[baselineSessions];
  const phase: Made[] = changed
    ? [
        {
          kind: 'observationPhase.set',
          payload: {
            id: newId(Date.parse(changed.instantOf(0))),
            planId,
            studentId: null,
            startsOn: changed.key.date,
            name: 'A seat in front',
          },
          at: Date.parse(changed.instantOf(0)),
        },
      ]
    : [];
  const sessions = watched.flatMap((lesson, index) => {
    const share = index < baselineSessions ? shares.before : shares.after;
    return sessionOf({ lesson, planId, studentIds, share, life }, newId, index % 4 === 3);
  });
  return [plan, ...phase, ...sessions];
}
