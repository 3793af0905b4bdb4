import { z } from 'zod';
import { changeKind } from '../../changes/kind';
import { Id, Instant, recordFields } from '../../records/schema';
import { LessonKey } from '../../attendance/roll/changes';
import { tallyHistory } from './history';

export const LookForFields = recordFields.lookFor.extend({ id: Id }).strict();
export type LookForFields = z.infer<typeof LookForFields>;

export const FocusFields = recordFields.focus.extend({ id: Id }).strict();

export const TallyFields = recordFields.tally
  .pick({ studentId: true, lookForId: true, at: true, circleId: true })
  // Null while a timed one runs.
  .extend({ id: Id, amount: z.int().min(1).max(86_400).nullable() })
  .strict();
export type TallyFields = z.infer<typeof TallyFields>;

const mostCounted = 999;
const tooMany = `A count is at most ${mostCounted}`;
/** A number as it may stand on a page. */
export const Counted = z.int('A whole number').min(0, 'A count cannot be below 0').max(mostCounted, tooMany);

/** How many, or how many seconds. */
const Amount = z
  .int('A whole number')
  .min(0, 'A count cannot be below 0')
  .max(86_400, 'At most the seconds of a day');

/** The lesson of the class that is on the same roll: whoever looks, looks at both. */
export const Together = LessonKey.optional();

const about = ({ lesson }: { lesson: LessonKey }) => tallyHistory(lesson.id);

export const tallyChanges = {
  'lookFor.set': changeKind(LookForFields, () => 'lookFors'),
  'lookFor.retire': changeKind(z.strictObject({ id: Id, retired: z.boolean() }), () => 'lookFors'),
  // A set, with those of its look-fors that are made for it: a copy for another class has its own.
  'focus.set': changeKind(
    z.strictObject({ focus: FocusFields, lookFors: z.array(LookForFields).max(12) }),
    () => 'lookFors',
  ),
  'focus.remove': changeKind(z.strictObject({ id: Id, removed: z.boolean() }), () => 'lookFors'),
  // From when to when anybody looked: a lesson with no tally in it was observed all the same.
  'tallying.set': changeKind(
    z.strictObject({
      lesson: LessonKey,
      together: Together,
      ...recordFields.tallying.pick({ onAt: true, offAt: true, focusId: true }).shape,
    }),
    about,
  ),
  'tally.add': changeKind(
    z.strictObject({
      lesson: LessonKey,
      together: Together,
      tallies: z.array(TallyFields).min(1).max(500),
    }),
    about,
  ),
  // Also of one that was stopped before: to say how long it was, or that it was so long.
  'tally.stop': changeKind(
    z.strictObject({
      id: Id,
      lessonId: Id,
      amount: z.int().min(1).max(86_400),
      unsure: z.boolean().optional(),
    }),
    ({ lessonId }) => tallyHistory(lessonId),
  ),
  'tally.remove': changeKind(z.strictObject({ id: Id, lessonId: Id }), ({ lessonId }) =>
    tallyHistory(lessonId),
  ),
  // A number set right by hand: the difference is a tally of its own, beside what others count meanwhile.
  'tally.correct': changeKind(
    z
      .strictObject({
        lesson: LessonKey,
        id: Id,
        studentId: Id.nullable(),
        lookForId: Id,
        at: Instant,
        from: Amount,
        to: Amount,
        // The numbers are seconds.
        timed: z.boolean().optional(),
      })
      .refine(
        ({ from, to, timed }) => timed === true || (Counted.safeParse(from).success && to <= mostCounted),
        {
          message: tooMany,
          path: ['to'],
        },
      ),
    about,
  ),
  'countComment.set': changeKind(
    recordFields.countComment.extend({ id: Id }).strict(),
    ({ sectionId }) => sectionId,
  ),
};
