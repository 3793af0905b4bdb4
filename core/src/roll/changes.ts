import { z } from 'zod';
import { changeKind } from '../changes/kind';
import { Id, Instant, recordFields } from '../records/schema';

/**
 * A lesson as the timetable gives it. Every change to a roll carries it, for most lessons are in
 * no table until somebody writes about them; the first change makes the record.
 */
const LessonKey = recordFields.lesson
  .pick({ sectionId: true, date: true, startsAt: true, endsAt: true })
  .extend({ id: Id });
export type LessonKey = z.infer<typeof LessonKey>;

const MarkFields = recordFields.mark.pick({
  studentId: true,
  standingId: true,
  arrivedAt: true,
  leftAt: true,
});
export type MarkFields = z.infer<typeof MarkFields>;

const about = ({ lesson }: { lesson: LessonKey }) => lesson.id;

export const rollChanges = {
  // One or many marks at once; `takenAt` is given with the first one, for that takes the roll.
  'roll.mark': changeKind(
    z.strictObject({
      lesson: LessonKey,
      marks: z.array(MarkFields).max(500),
      takenAt: Instant.nullable().optional(),
    }),
    about,
  ),
  'roll.comment': changeKind(
    z.strictObject({ lesson: LessonKey, studentId: Id, comment: recordFields.mark.shape.comment }),
    about,
  ),
  'lesson.setAside': changeKind(
    z.strictObject({ lesson: LessonKey, setAside: z.boolean(), label: recordFields.lesson.shape.label }),
    about,
  ),
};
