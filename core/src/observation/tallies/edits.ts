import type { Edit, EditsByKind } from '../../changes/edit';
import type { LessonKey } from '../../attendance/roll/changes';
import { ensureLesson } from '../../attendance/roll/edits';
import type { LookForFields, tallyChanges } from './changes';

function setLookFor({ id, ...values }: LookForFields): Edit[] {
  return [
    { op: 'make', table: 'lookFor', id, values },
    { op: 'set', table: 'lookFor', id, values },
  ];
}

interface Looked {
  lesson: LessonKey;
  together?: LessonKey | undefined;
}

const bothOf = ({ lesson, together }: Looked) => [lesson, ...(together ? [together] : [])];

/** Whoever tallies is observing, also where nobody has turned it on; taken back, it is as if nobody had looked. */
export function makeTallying(lessons: Looked, onAt: string): Edit[] {
  return bothOf(lessons).flatMap((lesson): Edit[] => {
    const values = { lessonId: lesson.id, focusId: null, onAt, offAt: null };
    return [ensureLesson(lesson), { op: 'make', table: 'tallying', id: lesson.id, values }];
  });
}

export const tallyEdits: EditsByKind<typeof tallyChanges> = {
  'lookFor.set': setLookFor,
  'lookFor.retire': ({ id, retired }) => [{ op: 'set', table: 'lookFor', id, values: { removed: retired } }],
  'focus.set': ({ focus: { id, ...values }, lookFors }) => [
    ...lookFors.flatMap(setLookFor),
    { op: 'make', table: 'focus', id, values },
    { op: 'set', table: 'focus', id, values },
  ],
  'focus.remove': ({ id, removed }) => [{ op: 'set', table: 'focus', id, values: { removed } }],
  'tallying.set': ({ lesson: first, together, ...values }) =>
    bothOf({ lesson: first, together }).flatMap((lesson): Edit[] => [
      ensureLesson(lesson),
      { op: 'make', table: 'tallying', id: lesson.id, values: { ...values, lessonId: lesson.id } },
      { op: 'set', table: 'tallying', id: lesson.id, values },
    ]),
  'tally.add': ({ lesson, together, tallies }) => [
    ...makeTallying({ lesson, together }, tallies[0]?.at ?? ''),
    ...tallies.map(({ id, ...values }): Edit => {
      const fields = { ...values, lessonId: lesson.id, correctedFrom: null, unsure: false };
      return { op: 'make', table: 'tally', id, values: fields };
    }),
  ],
  'tally.stop': ({ id, amount, unsure = false }) => [
    { op: 'set', table: 'tally', id, values: { amount, unsure } },
  ],
  'tally.remove': ({ id }) => [{ op: 'set', table: 'tally', id, values: { removed: true } }],
  'tally.correct': ({ lesson, id, from, to, timed: _timed, ...values }) => {
    const fields = {
      ...values,
      lessonId: lesson.id,
      amount: to - from,
      circleId: null,
      correctedFrom: from,
      unsure: false,
    };
    return [...makeTallying({ lesson }, values.at), { op: 'make', table: 'tally', id, values: fields }];
  },
  'countComment.set': ({ id, ...values }) => [
    { op: 'make', table: 'countComment', id, values },
    { op: 'set', table: 'countComment', id, values },
  ],
};
