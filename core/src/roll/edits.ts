import type { Edit, EditsByKind } from '../changes/edit';
import type { LessonKey, MarkFields, rollChanges } from './changes';
import { markId } from './markId';

function ensureLesson({ id, ...key }: LessonKey): Edit {
  const values = { ...key, label: '', setAside: false, takenAt: null };
  return { op: 'ensure', table: 'lesson', id, values };
}

function ensureMark(lessonId: string, studentId: string): Edit {
  const values = {
    lessonId,
    studentId,
    standingId: null,
    arrivedAt: null,
    leftAt: null,
    comment: '',
    source: 'tap' as const,
  };
  return { op: 'ensure', table: 'mark', id: markId(lessonId, studentId), values };
}

function setMark(lessonId: string, { studentId, ...values }: MarkFields): Edit[] {
  const id = markId(lessonId, studentId);
  return [
    ensureMark(lessonId, studentId),
    { op: 'set', table: 'mark', id, values: { ...values, source: 'tap' } },
  ];
}

function setTaken(lessonId: string, takenAt: string | null | undefined): Edit[] {
  return takenAt === undefined ? [] : [{ op: 'set', table: 'lesson', id: lessonId, values: { takenAt } }];
}

export const rollEdits: EditsByKind<typeof rollChanges> = {
  'roll.mark': ({ lesson, marks, takenAt }) => [
    ensureLesson(lesson),
    ...setTaken(lesson.id, takenAt),
    ...marks.flatMap((mark) => setMark(lesson.id, mark)),
  ],
  'roll.comment': ({ lesson, studentId, comment }) => [
    ensureLesson(lesson),
    ensureMark(lesson.id, studentId),
    { op: 'set', table: 'mark', id: markId(lesson.id, studentId), values: { comment } },
  ],
  'lesson.setAside': ({ lesson, setAside, label }) => [
    ensureLesson(lesson),
    { op: 'set', table: 'lesson', id: lesson.id, values: { setAside, label } },
  ],
};
