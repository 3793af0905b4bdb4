import type { Edit, EditsByKind } from '../changes/edit';
import { ensureLesson } from '../attendance/roll/edits';
import type { PayloadOf } from '../changes/kind';
import type { noteChanges } from './changes';
import { linkId } from './linkId';

type NewNote = PayloadOf<(typeof noteChanges)['note.write']>;
type Spans = { from: number; to: number }[];

function studentEdits(noteId: string, studentId: string, spans: Spans, removed: boolean): Edit[] {
  const id = linkId(noteId, studentId);
  return [
    { op: 'make', table: 'noteStudent', id, values: { noteId, studentId, spans } },
    { op: 'set', table: 'noteStudent', id, values: { spans, removed } },
  ];
}

function topicEdits(noteId: string, topicId: string, spans: Spans, removed: boolean): Edit[] {
  const id = linkId(noteId, topicId);
  return [
    { op: 'make', table: 'noteTopic', id, values: { noteId, topicId, spans } },
    { op: 'set', table: 'noteTopic', id, values: { spans, removed } },
  ];
}

function newNoteEdits({ id, lesson, students, topics, lookAgainOn, ...fields }: NewNote): Edit[] {
  return [
    ...(lesson ? [ensureLesson(lesson)] : []),
    { op: 'make', table: 'note', id, values: { ...fields, lessonId: lesson?.id ?? null } },
    ...students.map(({ studentId, spans }): Edit => ({
      op: 'make',
      table: 'noteStudent',
      id: linkId(id, studentId),
      values: { noteId: id, studentId, spans },
    })),
    ...topics.map(({ topicId, spans }): Edit => ({
      op: 'make',
      table: 'noteTopic',
      id: linkId(id, topicId),
      values: { noteId: id, topicId, spans },
    })),
    ...(lookAgainOn
      ? [
          {
            op: 'make',
            table: 'followUp',
            id,
            values: { noteId: id, dueOn: lookAgainOn, outcome: 'open' },
          } as const,
        ]
      : []),
  ];
}

export const noteEdits: EditsByKind<typeof noteChanges> = {
  'note.write': newNoteEdits,
  'note.writeEach': ({ notes }) => notes.flatMap(newNoteEdits),
  'note.edit': ({ id, students, topics, ...fields }) => [
    ...(Object.keys(fields).length > 0 ? [{ op: 'set', table: 'note', id, values: fields } as const] : []),
    ...students.flatMap(({ studentId, spans, removed }) => studentEdits(id, studentId, spans, removed)),
    ...topics.flatMap(({ topicId, spans, removed }) => topicEdits(id, topicId, spans, removed)),
  ],
  'note.remove': ({ id }) => [{ op: 'set', table: 'note', id, values: { removed: true } }],
  'topic.add': ({ id, marks, ...fields }) => [
    { op: 'make', table: 'topic', id, values: { ...fields, mergedIntoId: null } },
    ...marks.flatMap(({ noteId, spans }) => topicEdits(noteId, id, spans, false)),
  ],
  'topic.set': ({ id, ...values }) => [{ op: 'set', table: 'topic', id, values }],
  'topic.mark': ({ id, marks }) =>
    marks.flatMap(({ noteId, spans, removed }) => topicEdits(noteId, id, spans, removed)),
  'topic.merge': ({ id, intoId, alsoCalled }) => [
    { op: 'set', table: 'topic', id, values: { mergedIntoId: intoId } },
    { op: 'set', table: 'topic', id: intoId, values: { alsoCalled } },
  ],
  'topic.remove': ({ id }) => [{ op: 'set', table: 'topic', id, values: { removed: true } }],
  'topic.pass': ({ id, word }) => [{ op: 'make', table: 'passedWord', id, values: { word } }],
  'followUp.set': ({ id, ...values }) => [
    { op: 'make', table: 'followUp', id, values: { noteId: id, ...values } },
    { op: 'set', table: 'followUp', id, values },
  ],
};
