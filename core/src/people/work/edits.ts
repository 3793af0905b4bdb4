import type { EditsByKind } from '../../changes/edit';
import type { LessonMarks } from '../../attendance/roll/changes';
import { markLesson } from '../../attendance/roll/edits';
import type { workChanges } from './changes';

const fromWork = (lessons: readonly LessonMarks[]) => lessons.flatMap((lesson) => markLesson(lesson, 'work'));

export const workEdits: EditsByKind<typeof workChanges> = {
  'task.set': ({ task: { id, ...values }, lessons }) => [
    { op: 'make', table: 'task', id, values },
    { op: 'set', table: 'task', id, values },
    ...fromWork(lessons),
  ],
  'task.remove': ({ id, lessons }) => [
    { op: 'set', table: 'task', id, values: { removed: true } },
    ...fromWork(lessons),
  ],
  'section.wholeDay': ({ id, wholeDayMinutes, lessons }) => [
    { op: 'set', table: 'section', id, values: { wholeDayMinutes } },
    ...fromWork(lessons),
  ],
};
