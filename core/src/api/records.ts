import { z } from 'zod';
import { ChangeAnswer, ChangeBatch } from '../changes/schema';
import { rows, type Endpoint } from './endpoint';

export const recordEndpoints = {
  health: {
    summary: 'Whether the server and its database answer, and whether they can write.',
    answer: z.object({ ok: z.literal(true) }),
  },
  openApi: { summary: 'This document.', answer: z.record(z.string(), z.unknown()) },
  events: {
    summary: 'A stream of server-sent events: something has been written, and by which device.',
    answer: z.undefined(),
    answersWith: ['text/event-stream'],
  },
  sendChanges: {
    summary: 'The one door for writes: a batch of changes, each applied or refused by itself, in order.',
    body: ChangeBatch,
    answer: z.object({ answers: z.array(ChangeAnswer) }),
  },
  setup: {
    summary: 'What a teacher sets up once a term: school, calendar, classes, people, standings.',
    answer: z.object({
      school: rows('school'),
      term: rows('term'),
      dayOff: rows('dayOff'),
      section: rows('section'),
      meeting: rows('meeting'),
      standing: rows('standing'),
      student: rows('student'),
      guardian: rows('guardian'),
      enrolment: rows('enrolment'),
      lesson: rows('lesson'),
      participantAnswer: rows('participantAnswer'),
      checkInSetting: rows('checkInSetting'),
      work: rows('work'),
      handIn: rows('handIn'),
      lookFor: rows('lookFor'),
      focus: rows('focus'),
      studentGroup: rows('studentGroup'),
      roomPlan: rows('roomPlan'),
      // Of each class only the last: how it sits now.
      seating: rows('seating'),
      seatWish: rows('seatWish'),
      levelNames: rows('levelNames'),
      topic: rows('topic'),
      passedWord: rows('passedWord'),
      // Only those left open: whoever opens the next lesson is asked.
      circle: rows('circle'),
    }),
  },
} satisfies Record<string, Endpoint>;
