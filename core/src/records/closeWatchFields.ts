import { z } from 'zod';
import {
  interval,
  longestComment,
  longestDefinition,
  longestPlanName,
  mostWatched,
  observationMethods,
  sessionLength,
  signalWays,
  words,
} from '../observation/closeWatch/limits';
import { lookForTones } from './tallyFields';
import { Id, Instant, LocalDate, shortText } from './values';

/** Empty once all of them were erased. */
const watched = z.array(Id).max(mostWatched, 'At most four students at a time');
const word = z.string().trim().max(words.longest, `At most ${words.longest} characters`);
const wordList = z.array(word.min(1)).max(words.most, `At most ${words.most} words`);

/** A part of a session, for example a pause. */
const Part = z.strictObject({ from: Instant, to: Instant.nullable() });
const parts = z.array(Part).max(400);

/** How a session runs. */
const run = {
  studentIds: watched,
  method: z.enum(observationMethods),
  /** Of an interval; null where nothing is asked by interval. */
  intervalSeconds: z
    .int('Whole seconds')
    .min(interval.least, `At least ${interval.least} seconds`)
    .max(interval.most, 'At most half an hour')
    .nullable(),
  /** After each interval, to write down what was seen. */
  recordSeconds: z.int('Whole seconds').min(0).max(interval.mostRecord, 'At most two minutes'),
  lengthSeconds: z
    .int('Whole seconds')
    .min(sessionLength.least, 'At least half a minute')
    .max(sessionLength.most, 'At most four hours'),
};

/** The close watch of one to four students. */
export const closeWatchFields = {
  // What is watched, of whom, and how.
  observationPlan: z.object({
    sectionId: Id,
    name: z
      .string()
      .trim()
      .min(1, 'What is watched?')
      .max(longestPlanName, `At most ${longestPlanName} characters`),
    /** When it counts, so that two observers mean the same. */
    definition: z.string().trim().max(longestDefinition, `At most ${longestDefinition} characters`),
    tone: z.enum(lookForTones),
    ...run,
    signal: z.enum(signalWays),
    /** Words to choose from for what came before, and for what followed. */
    befores: wordList,
    afters: wordList,
  }),
  // From when on something was different: a step, or whatever else. What was before the first is the baseline.
  observationPhase: z.object({
    planId: Id,
    /** Null: for all who are watched. */
    studentId: Id.nullable(),
    startsOn: LocalDate,
    name: z.string().trim().min(1, 'What changed?').max(80, 'At most 80 characters'),
  }),
  // One session of one observer.
  observation: z.object({
    planId: Id,
    lessonId: Id,
    ...run,
    startedAt: Instant,
    endedAt: Instant.nullable(),
    /** While these last the session stands still. */
    pauses: parts,
    /** While these last nobody could observe: the phone was locked, another page was in front. The session went on. */
    lost: parts,
    observer: shortText,
    /** The session of another observer, beside which this one runs: both have the same beginning and intervals. */
    besideId: Id.nullable(),
  }),
  // One thing seen in a session, or what was said of an interval.
  observationEvent: z.object({
    observationId: Id,
    studentId: Id,
    at: Instant,
    /** When it ended; of a latency, when it was begun. Null while it lasts, and where there is no such time. */
    until: Instant.nullable(),
    /** From 0; null where nothing is asked by interval. */
    interval: z.int().min(0).max(719).nullable(),
    /** Null is not observed: it was answered, and the answer was taken away. */
    seen: z.boolean().nullable(),
    /** Said afterwards, by somebody who knows. */
    byHand: z.boolean(),
    before: word,
    after: word,
  }),
  // What the teacher says of one student's sessions; its id is made of both.
  observationComment: z.object({
    planId: Id,
    studentId: Id,
    text: z.string().trim().max(longestComment, 'At most 4,000 characters'),
  }),
} as const;
