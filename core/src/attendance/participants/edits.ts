import type { Edit, EditsByKind } from '../../changes/edit';
import { markLesson } from '../roll/edits';
import type { participantChanges } from './changes';

export const participantEdits: EditsByKind<typeof participantChanges> = {
  'participants.record': ({ lessons, answers }) => [
    ...lessons.flatMap((lesson) => markLesson(lesson, 'participants')),
    ...answers.flatMap(({ id, ...values }): Edit[] => [
      { op: 'make', table: 'participantAnswer', id, values },
      { op: 'set', table: 'participantAnswer', id, values },
    ]),
  ],
  'participants.move': ({ from, to }) => [
    ...markLesson(from, 'participants'),
    ...markLesson(to, 'participants'),
  ],
};
