import { z } from 'zod';
import { changeKind } from '../../changes/kind';
import { Id, Instant, recordFields } from '../../records/schema';

/**
 * A lesson as the timetable gives it. Every change to a roll carries it, for most lessons are in
 * no table until somebody writes about them; the first change makes the record.
 */
export const LessonKey = recordFields.lesson
  .pick({ sectionId: true, date: true, startsAt: true, endsAt: true })
  .extend({ id: Id });
export type LessonKey = z.infer<typeof LessonKey>;

export const MarkFields = recordFields.mark.pick({
  studentId: true,
  standingId: true,
  arrivedAt: true,
  leftAt: true,
});
export type MarkFields = z.infer<typeof MarkFields>;

/** Marks of one lesson; `takenAt` is given with the first ones, for that takes the roll. */
export const LessonMarks = z.strictObject({
  lesson: LessonKey,
  marks: z.array(MarkFields).max(500),
  takenAt: Instant.nullable().optional(),
  /** Where the marks come from, if not from the teacher's hand: who is away by not having checked in. */
  source: z.literal('check_in').optional(),
});
export type LessonMarks = z.infer<typeof LessonMarks>;

export const StandingFields = recordFields.standing.omit({ mergedIntoId: true }).extend({ id: Id }).strict();

export const SectionRules = recordFields.section
  .pick({
    graceMinutes: true,
    awayFromShare: true,
    latesPerAbsence: true,
    creditBy: true,
    halfDayMinutes: true,
  })
  .extend({ id: Id })
  .strict();

const about = ({ lesson }: { lesson: LessonKey }) => lesson.id;

export const rollChanges = {
  'roll.mark': changeKind(LessonMarks, about),
  // Several lessons as one change: two classes with one roll, or a day's column of all classes.
  'roll.markAll': changeKind(
    z.strictObject({ about: Id, lessons: z.array(LessonMarks).min(1).max(50) }),
    (payload) => payload.about,
  ),
  // A range of days for one or more students. Being away takes no roll: nobody has looked at the others.
  'roll.range': changeKind(
    z.strictObject({
      lessons: z.array(LessonMarks).min(1).max(2000),
    }),
    () => 'range',
  ),
  'roll.comment': changeKind(
    z.strictObject({ lesson: LessonKey, studentId: Id, comment: recordFields.mark.shape.comment }),
    about,
  ),
  'lesson.setAside': changeKind(
    z.strictObject({ lesson: LessonKey, setAside: z.boolean(), label: recordFields.lesson.shape.label }),
    about,
  ),
  // To another date or time, marks and all; it keeps its id, so the timetable does not give it again.
  'lesson.move': changeKind(
    z
      .strictObject({
        lesson: LessonKey,
        to: LessonKey.pick({ date: true, startsAt: true, endsAt: true }),
      })
      .refine(({ to }) => to.startsAt < to.endsAt, {
        message: 'The lesson ends before it begins',
        path: ['to', 'endsAt'],
      }),
    about,
  ),
  'lesson.remove': changeKind(z.strictObject({ lesson: LessonKey }), about),
  // A lesson that is in no timetable.
  'lesson.add': changeKind(
    LessonKey.extend({ label: recordFields.lesson.shape.label })
      .strict()
      .refine(({ startsAt, endsAt }) => startsAt < endsAt, {
        message: 'The lesson ends before it begins',
        path: ['endsAt'],
      }),
    ({ id }) => id,
  ),
  // A new one, or another code, name or meaning: marks point at its id, so none is touched.
  'standing.set': changeKind(StandingFields, () => 'standings'),
  'standing.order': changeKind(z.strictObject({ ids: z.array(Id).min(1).max(100) }), () => 'standings'),
  'standing.retire': changeKind(z.strictObject({ id: Id, retired: z.boolean() }), () => 'standings'),
  'standing.merge': changeKind(
    z.strictObject({ id: Id, intoId: Id }).refine(({ id, intoId }) => id !== intoId, {
      message: 'A standing cannot be merged into itself',
      path: ['intoId'],
    }),
    () => 'standings',
  ),
  'section.rules': changeKind(SectionRules, ({ id }) => id),
  // Null: each by itself again.
  'section.taughtWith': changeKind(z.strictObject({ id: Id, withId: Id.nullable() }), ({ id }) => id),
};
