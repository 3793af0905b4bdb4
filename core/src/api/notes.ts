import { z } from 'zod';
import { Id } from '../records/schema';
import { Day, fileAnswer, fileFormats, Paper, rows, type Endpoint } from './endpoint';

/** Notes with their ties. */
export const noteRows = {
  note: rows('note'),
  noteStudent: rows('noteStudent'),
  noteTopic: rows('noteTopic'),
  followUp: rows('followUp'),
};

const Spans = z.array(z.object({ from: z.int(), to: z.int() }));

/** Once or several times in an address. */
const several = (item: z.ZodType<string>) =>
  z.union([item.transform((one) => [one]), z.array(item).max(40)]).default([]);

export const noteEndpoints = {
  findNotes: {
    summary:
      'Notes, the latest first: by words (forms, "phrases", the last one as far as it is typed), class, lesson, student, topic and days.',
    query: z.object({
      words: z.string().max(200).default(''),
      sectionId: Id.optional(),
      lessonId: Id.optional(),
      studentId: Id.optional(),
      topicId: Id.optional(),
      from: Day.optional(),
      to: Day.optional(),
      skip: z.coerce.number<number>().int().min(0).max(100_000).default(0),
    }),
    answer: z.object({ ...noteRows, found: z.array(z.string()), more: z.boolean() }),
  },
  recentNotes: {
    summary:
      'The notes of the last six weeks and what is still to be looked at again: what every device keeps.',
    answer: z.object(noteRows),
  },
  note: {
    summary: 'One note with all texts that were ever written for it, overruled ones too.',
    params: z.object({ noteId: Id }),
    answer: z.object({
      ...noteRows,
      versions: z.array(
        z.object({
          changeId: z.string(),
          text: z.string(),
          madeAt: z.iso.datetime(),
          device: z.string(),
          overruled: z.boolean(),
        }),
      ),
    }),
  },
  topicCounts: {
    summary: 'How many notes touch each topic, of how many students, and how many of them since a day.',
    query: z.object({ since: Day }),
    answer: z.object({
      counts: z.array(z.object({ topicId: z.string(), notes: z.int(), recent: z.int(), students: z.int() })),
    }),
  },
  notesSpeaking: {
    summary: 'Notes that speak of some words and were never asked about for the topic, with the places.',
    query: z.object({ name: several(z.string().min(1).max(60)), topicId: Id.optional() }),
    answer: z.object({
      ...noteRows,
      found: z.array(z.object({ noteId: z.string(), spans: Spans })),
      more: z.boolean(),
    }),
  },
  suggestedTopics: {
    summary:
      'Words that came up often in the eight weeks before this one and are no topic yet: the same all week.',
    answer: z.object({
      words: z.array(z.object({ word: z.string(), notes: z.int(), students: z.int() })),
    }),
  },
  followUpCalendar: {
    summary: 'What is to be looked at again, as iCalendar (RFC 5545). The text of own notes stays out.',
    answer: z.string(),
    answersWith: ['text/calendar'],
  },
  notesFile: {
    summary:
      'A student’s notes for another reader, as CSV (RFC 4180), XLSX, PDF or a page to print: without the teacher’s own, other students by initials.',
    params: z.object({ studentId: Id }),
    query: z.object({ format: z.enum(fileFormats).default('html'), ...Paper }),
    ...fileAnswer(fileFormats),
  },
} satisfies Record<string, Endpoint>;
