import { z } from 'zod';
import { changeKind } from '../../changes/kind';
import { Id, recordFields } from '../../records/schema';
import { LessonKey, MarkFields } from '../roll/changes';

export const checkInChanges = {
  'checkIn.setting': changeKind(recordFields.checkInSetting.strict(), ({ sectionId }) => sectionId),
  // What the student said, and what arriving at this minute makes of the mark; null leaves it as it is.
  'checkIn.record': changeKind(
    z.strictObject({
      lesson: LessonKey,
      checkIn: recordFields.checkIn.omit({ lessonId: true }),
      mark: MarkFields.nullable(),
    }),
    ({ lesson }) => lesson.id,
  ),
  // Said for a student who had checked in already, from another device. The mark stays as it is.
  'checkIn.other': changeKind(
    z.strictObject({
      lesson: LessonKey,
      id: Id,
      checkIn: recordFields.otherCheckIn.omit({ lessonId: true }),
    }),
    ({ lesson }) => lesson.id,
  ),
};
