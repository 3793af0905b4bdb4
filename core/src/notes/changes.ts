import { z } from 'zod';
import { changeKind } from '../changes/kind';
import { Id, LocalDate, recordFields } from '../records/schema';
import { LessonKey } from '../attendance/roll/changes';
import { topicHistory } from './history';

const { note, noteStudent, noteTopic, topic, followUp } = recordFields;

const StudentLink = noteStudent.pick({ studentId: true, spans: true }).strict();
const TopicLink = noteTopic.pick({ topicId: true, spans: true }).strict();
const gone = { removed: z.boolean() };
const Mark = noteTopic.pick({ noteId: true, spans: true }).strict();
export const TopicFields = topic.pick({ name: true, trouble: true, alsoCalled: true });

/** A note with all that was read in it and set right. */
const NewNote = note
  .omit({ lessonId: true })
  .extend({
    id: Id,
    lesson: LessonKey.nullable(),
    students: z.array(StudentLink).max(500),
    topics: z.array(TopicLink).max(200),
    lookAgainOn: LocalDate.nullable(),
  })
  .strict();

export const noteChanges = {
  'note.write': changeKind(NewNote, ({ id }) => id),
  // One to each of several students, in one go; a note's id begins with this one and a dot.
  'note.writeEach': changeKind(
    z.strictObject({ id: Id, notes: z.array(NewNote).min(1).max(1000) }),
    ({ id }) => id,
  ),
  // Only what is given is decided anew; a link may be new, other, or gone.
  'note.edit': changeKind(
    note
      .pick({ text: true, own: true, doubts: true, happenedAt: true })
      .partial()
      .extend({
        id: Id,
        students: z.array(StudentLink.extend(gone)).max(500),
        topics: z.array(TopicLink.extend(gone)).max(200),
      })
      .strict(),
    ({ id }) => id,
  ),
  'note.remove': changeKind(z.strictObject({ id: Id }), ({ id }) => id),
  // With the earlier notes that speak of it.
  'topic.add': changeKind(
    TopicFields.extend({ id: Id, marks: z.array(Mark).max(2000) }).strict(),
    () => topicHistory,
  ),
  'topic.set': changeKind(TopicFields.extend({ id: Id }).strict(), () => topicHistory),
  'topic.mark': changeKind(
    z.strictObject({ id: Id, marks: z.array(Mark.extend(gone)).min(1).max(2000) }),
    () => topicHistory,
  ),
  // The other one takes its notes and its names.
  'topic.merge': changeKind(
    z.strictObject({ id: Id, intoId: Id, alsoCalled: topic.shape.alsoCalled }),
    () => topicHistory,
  ),
  'topic.remove': changeKind(z.strictObject({ id: Id }), () => topicHistory),
  'topic.pass': changeKind(
    z.strictObject({ id: Id, word: recordFields.passedWord.shape.word }),
    () => topicHistory,
  ),
  'followUp.set': changeKind(followUp.omit({ noteId: true }).extend({ id: Id }).strict(), ({ id }) => id),
};
