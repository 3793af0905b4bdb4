import { z } from 'zod';
import { changeKind } from '../../changes/kind';
import { Id, recordFields } from '../../records/schema';
import { LessonMarks } from '../roll/changes';

export const participantChanges = {
  // The marks of one list, in one lesson or several, with what was answered about who is who.
  'participants.record': changeKind(
    z.strictObject({
      about: Id,
      lessons: z.array(LessonMarks).min(1).max(60),
      answers: z.array(recordFields.participantAnswer.extend({ id: Id })).max(500),
    }),
    ({ about }) => about,
  ),
  // Who is who in a file about a class's work.
  'participants.answer': changeKind(
    z.strictObject({
      sectionId: Id,
      answers: z
        .array(recordFields.participantAnswer.extend({ id: Id }))
        .min(1)
        .max(500),
    }),
    ({ sectionId }) => sectionId,
  ),
  // From the lesson it was recorded in by mistake to the right one.
  'participants.move': changeKind(
    z
      .strictObject({ from: LessonMarks, to: LessonMarks })
      .refine(({ from, to }) => from.lesson.id !== to.lesson.id, {
        message: 'The marks are in this lesson already',
        path: ['to'],
      }),
    ({ to }) => to.lesson.id,
  ),
};
