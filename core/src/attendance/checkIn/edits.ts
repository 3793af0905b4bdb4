import type { EditsByKind } from '../../changes/edit';
import { ensureLesson, setMark } from '../roll/edits';
import { markId } from '../roll/markId';
import type { checkInChanges } from './changes';

export const checkInEdits: EditsByKind<typeof checkInChanges> = {
  'checkIn.setting': (values) => [
    { op: 'make', table: 'checkInSetting', id: values.sectionId, values },
    { op: 'set', table: 'checkInSetting', id: values.sectionId, values },
  ],
  'checkIn.record': ({ lesson, checkIn, mark }) => {
    const values = { ...checkIn, lessonId: lesson.id };
    const id = markId(lesson.id, checkIn.studentId);
    return [
      ensureLesson(lesson),
      { op: 'make', table: 'checkIn', id, values },
      { op: 'set', table: 'checkIn', id, values },
      ...(mark ? setMark(lesson.id, mark, 'check_in') : []),
    ];
  },
  'checkIn.other': ({ lesson, id, checkIn }) => {
    const values = { ...checkIn, lessonId: lesson.id };
    return [
      ensureLesson(lesson),
      { op: 'make', table: 'otherCheckIn', id, values },
      { op: 'set', table: 'otherCheckIn', id, values },
    ];
  },
};
