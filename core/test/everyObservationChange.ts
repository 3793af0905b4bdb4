import type { ChangeOf } from '../src/changes/schema';

const at = '2026-11-23T10:45:00.000Z';
const lesson = {
  id: 'm1.2026-11-23',
  sectionId: 's',
  date: '2026-11-23',
  startsAt: '10:40',
  endsAt: '11:30',
};
const run = {
  ...{ studentIds: ['a', 'b'], method: 'momentary' as const },
  ...{ intervalSeconds: 30, recordSeconds: 0, lengthSeconds: 600 },
};

type ObservationKind =
  | 'observationPlan.set'
  | 'observationPlan.remove'
  | 'observationPhase.set'
  | 'observationPhase.remove'
  | 'observationComment.set'
  | 'observation.start'
  | 'observation.set'
  | 'observation.remove'
  | 'observationEvent.set'
  | 'observationEvent.remove';

/** Every kind of change of close watch, each with something to change. */
export const everyObservationChange: { [K in ObservationKind]: ChangeOf<K>['payload'] } = {
  'observationPlan.set': {
    ...{
      id: 'plan',
      sectionId: 's',
      name: 'On task',
      definition: 'Eyes on the page',
      tone: 'wanted',
      ...run,
    },
    ...{ signal: 'both', befores: ['asked to begin'], afters: ['helped'] },
  },
  'observationPhase.set': {
    id: 'phase',
    planId: 'plan',
    studentId: 'a',
    startsOn: '2026-11-16',
    name: 'A seat in front',
  },
  'observationPhase.remove': { id: 'phase', planId: 'plan', removed: true },
  'observationComment.set': {
    id: 'plan.a',
    planId: 'plan',
    studentId: 'a',
    text: 'Looks up when others talk',
  },
  'observation.start': {
    ...{
      lesson,
      id: 'watch',
      planId: 'plan',
      ...run,
      startedAt: at,
      observer: 'Ines Haddow',
      besideId: null,
    },
  },
  'observation.set': {
    ...{ id: 'watch', lessonId: lesson.id, endedAt: '2026-11-23T10:55:00.000Z', observer: 'An assistant' },
    pauses: [{ from: '2026-11-23T10:46:00.000Z', to: '2026-11-23T10:47:00.000Z' }],
    lost: [{ from: '2026-11-23T10:48:00.000Z', to: null }],
  },
  'observationEvent.set': {
    lessonId: lesson.id,
    events: [
      {
        ...{ id: 'watch.0.0', observationId: 'watch', studentId: 'a', at, until: null, interval: 0 },
        ...{ seen: true, byHand: false, before: 'asked to begin', after: '' },
      },
    ],
  },
  'observationEvent.remove': { id: 'watch.0.0', lessonId: lesson.id, removed: true },
  'observation.remove': { id: 'watch', lessonId: lesson.id, removed: true },
  'observationPlan.remove': { id: 'plan', removed: true },
};
