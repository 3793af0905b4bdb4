import { z } from 'zod';
import { Id, Instant, LocalDate, LocalTime, shortText } from './values';

export const followUpOutcomes = ['open', 'done', 'dropped'] as const;

/** Kept as it is, whatever is in it; only an empty one is none. */
const NoteText = z
  .string()
  .max(100_000, 'At most 100,000 characters')
  .refine((text) => text.trim() !== '', 'There is nothing in this note');
/** UTF-16 offsets in a note's text. */
const span = { from: z.int().min(0), to: z.int().min(1) };
const Spans = z.array(z.object(span)).max(1000);

/** The records around notes. */
export const noteFields = {
  // What a teacher saw, in their own words, kept as typed.
  note: z.object({
    text: NoteText,
    at: Instant,
    /** The time it tells of, where it names one ("at 9:05"). */
    happenedAt: LocalTime.nullable(),
    lessonId: Id.nullable(),
    /** The class in hand when it was written. */
    sectionId: Id.nullable(),
    place: shortText,
    /** The teacher's own: in no export for another reader. */
    own: z.boolean(),
    /** Places where one of several could be meant, and nobody has said who. */
    doubts: z.array(z.object({ ...span, candidates: z.array(Id).min(1).max(60) })).max(200),
  }),
  // That a note speaks of a student, and where; its id is made of both.
  noteStudent: z.object({ noteId: Id, studentId: Id, spans: Spans }),
  noteTopic: z.object({ noteId: Id, topicId: Id, spans: Spans }),
  // A theme that notes touch.
  topic: z.object({
    name: z.string().trim().min(1, 'A topic needs a name').max(60, 'At most 60 characters'),
    /** Notes about it tell of trouble. */
    trouble: z.boolean(),
    alsoCalled: z.array(z.string().trim().min(1).max(60)).max(40),
    /** The topic that it is part of since they were merged. */
    mergedIntoId: Id.nullable(),
  }),
  // A word that comes up often and is not to be offered as a topic.
  passedWord: z.object({ word: z.string().min(1).max(60) }),
  // What a note promises, to be looked at again; its id is the note's.
  followUp: z.object({ noteId: Id, dueOn: LocalDate, outcome: z.enum(followUpOutcomes) }),
} as const;
