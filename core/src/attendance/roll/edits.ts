import type { Edit, EditsByKind } from '../../changes/edit';
import type { Mark } from '../../records/schema';
import type { LessonKey, LessonMarks, MarkFields, rollChanges } from './changes';
import { markId } from './markId';

/** The ground under what is said of a lesson that is in no table yet. */
export function ensureLesson({ id, ...key }: LessonKey): Edit {
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

export function setMark(
  lessonId: string,
  { studentId, ...values }: MarkFields,
  source: Mark['source'] = 'tap',
): Edit[] {
  const id = markId(lessonId, studentId);
  return [ensureMark(lessonId, studentId), { op: 'set', table: 'mark', id, values: { ...values, source } }];
}

function setTaken(lessonId: string, takenAt: string | null | undefined): Edit[] {
  return takenAt === undefined ? [] : [{ op: 'set', table: 'lesson', id: lessonId, values: { takenAt } }];
}

/** Marks of one lesson, the lesson's own record made where there is none. */
export function markLesson(
  { lesson, marks, takenAt, source: said }: LessonMarks,
  source: Mark['source'] | undefined = said,
): Edit[] {
  return [
    ensureLesson(lesson),
    ...setTaken(lesson.id, takenAt),
    ...marks.flatMap((mark) => setMark(lesson.id, mark, source)),
  ];
}

export const rollEdits: EditsByKind<typeof rollChanges> = {
  'roll.mark': (payload) => markLesson(payload),
  'roll.markAll': ({ lessons }) => lessons.flatMap((lesson) => markLesson(lesson)),
  'roll.range': ({ lessons }) => lessons.flatMap((lesson) => markLesson(lesson, 'range')),
  'roll.comment': ({ lesson, studentId, comment }) => [
    ensureLesson(lesson),
    ensureMark(lesson.id, studentId),
    { op: 'set', table: 'mark', id: markId(lesson.id, studentId), values: { comment } },
  ],
  'lesson.setAside': ({ lesson, setAside, label }) => [
    ensureLesson(lesson),
    { op: 'set', table: 'lesson', id: lesson.id, values: { setAside, label } },
  ],
  'lesson.move': ({ lesson, to }) => [
    ensureLesson(lesson),
    { op: 'set', table: 'lesson', id: lesson.id, values: to },
  ],
  'lesson.remove': ({ lesson }) => [
    ensureLesson(lesson),
    { op: 'set', table: 'lesson', id: lesson.id, values: { removed: true } },
  ],
  'lesson.add': ({ id, ...values }) => [
    { op: 'make', table: 'lesson', id, values: { ...values, setAside: false, takenAt: null } },
  ],
  'standing.set': ({ id, ...values }) => [
    { op: 'make', table: 'standing', id, values: { ...values, mergedIntoId: null } },
    { op: 'set', table: 'standing', id, values },
  ],
  'standing.order': ({ ids }) =>
    ids.map((id, position) => ({ op: 'set', table: 'standing', id, values: { position } })),
  'standing.retire': ({ id, retired }) => [
    { op: 'set', table: 'standing', id, values: { removed: retired } },
  ],
  'standing.merge': ({ id, intoId }) => [
    { op: 'set', table: 'standing', id, values: { mergedIntoId: intoId, removed: true } },
  ],
  'section.rules': ({ id, ...values }) => [{ op: 'set', table: 'section', id, values }],
  'section.taughtWith': ({ id, withId }) => [
    { op: 'set', table: 'section', id, values: { taughtWithId: withId } },
  ],
};
