import type { Edit, EditsByKind } from '../../changes/edit';
import type { PayloadOf } from '../../changes/kind';
import { markLesson } from '../roll/edits';
import type { participantChanges } from './changes';

const remember = (
  answers: PayloadOf<(typeof participantChanges)['participants.answer']>['answers'],
): Edit[] =>
  answers.flatMap(({ id, ...values }): Edit[] => [
    { op: 'make', table: 'participantAnswer', id, values },
    { op: 'set', table: 'participantAnswer', id, values },
  ]);

export const participantEdits: EditsByKind<typeof participantChanges> = {
  'participants.record': ({ lessons, answers }) => [
    ...lessons.flatMap((lesson) => markLesson(lesson, 'participants')),
    ...remember(answers),
  ],
  'participants.answer': ({ answers }) => remember(answers),
  'participants.move': ({ from, to }) => [
    ...markLesson(from, 'participants'),
    ...markLesson(to, 'participants'),
  ],
};
