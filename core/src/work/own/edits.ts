import { markLesson } from '../../attendance/roll/edits';
import type { LessonMarks } from '../../attendance/roll/changes';
import type { Edit, EditsByKind } from '../../changes/edit';
import { setHandIn, setPiece } from '../edits';
import type { ownWorkChanges, Task } from './changes';
import { finishedAt } from './finishedAt';

const fromWork = (lessons: readonly LessonMarks[]) => lessons.flatMap((lesson) => markLesson(lesson, 'work'));

const remove = (id: string): Edit => ({ op: 'set', table: 'work', id, values: { removed: true } });

/** A piece as it was written before, as one of today. */
function fromTask({ id, sectionId, studentId, title, doneOn, minutes }: Task): Edit[] {
  return [
    ...setPiece({ id, sectionId, studentId, title, assignedAt: null, dueAt: null, points: null }),
    ...setHandIn(id, {
      ...{ studentId, minutes, handedBackAt: null, score: null },
      status: doneOn === null ? 'missing' : 'handed_in',
      handedInAt: doneOn === null ? null : finishedAt(doneOn),
    }),
  ];
}

export const ownWorkEdits: EditsByKind<typeof ownWorkChanges> = {
  'piece.own': ({ piece, handIn, lessons }) => [
    ...setPiece(piece),
    ...setHandIn(piece.id, { ...handIn, studentId: piece.studentId }),
    ...fromWork(lessons),
  ],
  'piece.ownRemove': ({ id, lessons }) => [remove(id), ...fromWork(lessons)],
  'task.set': ({ task, lessons }) => [
    ...fromTask(task),
    { op: 'set', table: 'section', id: task.sectionId, values: { attendedByWork: true } },
    ...fromWork(lessons),
  ],
  'task.remove': ({ id, lessons }) => [remove(id), ...fromWork(lessons)],
  'section.wholeDay': ({ id, attendedByWork, wholeDayMinutes, lessons }) => [
    { op: 'set', table: 'section', id, values: { attendedByWork, wholeDayMinutes } },
    ...fromWork(lessons),
  ],
};
