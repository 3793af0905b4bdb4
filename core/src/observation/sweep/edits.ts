import type { Edit, EditsByKind } from '../../changes/edit';
import { ensureLesson } from '../../attendance/roll/edits';
import { markId } from '../../attendance/roll/markId';
import type { sweepChanges } from './changes';

export const sweepEdits: EditsByKind<typeof sweepChanges> = {
  'sweep.set': ({ lesson, levels }) => [
    ensureLesson(lesson),
    ...levels.flatMap(({ studentId, level }): Edit[] => {
      const id = markId(lesson.id, studentId);
      const values = { lessonId: lesson.id, studentId, level: null };
      return [
        { op: 'ensure', table: 'sweep', id, values },
        { op: 'set', table: 'sweep', id, values: { level } },
      ];
    }),
  ],
  'levelNames.set': ({ id, names }) => [
    { op: 'make', table: 'levelNames', id, values: { names } },
    { op: 'set', table: 'levelNames', id, values: { names } },
  ],
};
