import { z } from 'zod';
import { LessonKey } from '../../attendance/roll/changes';
import { changeKind } from '../../changes/kind';
import { Id, recordFields } from '../../records/schema';
import { observationHistory, planHistory } from './history';
import { asksByInterval, mostIntervals, type ObservationMethod } from './limits';

const { observationPlan, observationPhase, observation, observationEvent, observationComment } = recordFields;
const ofLesson = ({ lessonId }: { lessonId: string }) => observationHistory(lessonId);
const ofPlan = ({ planId }: { planId: string }) => planHistory(planId);

interface Run {
  method: ObservationMethod;
  intervalSeconds: number | null;
  lengthSeconds: number;
}

/** An interval where one is asked for, and room for at least one and at most `mostIntervals` of them. */
const fits = ({ method, intervalSeconds, lengthSeconds }: Run) =>
  !asksByInterval(method) ||
  (intervalSeconds !== null &&
    intervalSeconds <= lengthSeconds &&
    lengthSeconds / intervalSeconds <= mostIntervals);
const somebody = { studentIds: observationPlan.shape.studentIds.min(1, 'Who is watched?') };
const fitsOrNot = {
  path: ['intervalSeconds'],
  message: `A session has room for 1 to ${mostIntervals} intervals`,
};

/** What is watched, of whom and how, as it is typed. */
export const ObservationPlanFields = observationPlan
  .extend({ id: Id, ...somebody })
  .strict()
  .refine(fits, fitsOrNot);

export const observationChanges = {
  'observationPlan.set': changeKind(ObservationPlanFields, ({ id }) => planHistory(id)),
  'observationPlan.remove': changeKind(z.strictObject({ id: Id, removed: z.boolean() }), ({ id }) =>
    planHistory(id),
  ),
  'observationPhase.set': changeKind(observationPhase.extend({ id: Id }).strict(), ofPlan),
  'observationPhase.remove': changeKind(z.strictObject({ id: Id, planId: Id, removed: z.boolean() }), ofPlan),
  'observationComment.set': changeKind(observationComment.extend({ id: Id }).strict(), ofPlan),
  'observation.start': changeKind(
    z
      .strictObject({
        lesson: LessonKey,
        id: Id,
        ...observation.omit({ lessonId: true, endedAt: true, pauses: true, lost: true }).shape,
        ...somebody,
        /** Where it is written down afterwards. */
        endedAt: observation.shape.endedAt.optional(),
      })
      .refine(fits, fitsOrNot),
    ({ lesson }) => observationHistory(lesson.id),
  ),
  // Only what changes.
  'observation.set': changeKind(
    observation
      .pick({ endedAt: true, pauses: true, lost: true, observer: true })
      .partial()
      .extend({ id: Id, lessonId: Id })
      .strict(),
    ofLesson,
  ),
  'observation.remove': changeKind(z.strictObject({ id: Id, lessonId: Id, removed: z.boolean() }), ofLesson),
  'observationEvent.set': changeKind(
    z.strictObject({
      lessonId: Id,
      events: z
        .array(observationEvent.extend({ id: Id }).strict())
        .min(1)
        .max(3000),
    }),
    ofLesson,
  ),
  'observationEvent.remove': changeKind(
    z.strictObject({ id: Id, lessonId: Id, removed: z.boolean() }),
    ofLesson,
  ),
};
