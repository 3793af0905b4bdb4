import { z } from 'zod';
import { lookForSigns } from './signs';
import { Id, Instant } from './values';

export const lookForTones = ['wanted', 'unwanted', 'neutral'] as const;
export const lookForMeasures = ['count', 'tick', 'seconds'] as const;

/** What is looked for in lessons, and what was seen of it. */
export const tallyFields = {
  // Something watched for in lessons. Removed is retired: it is offered no more, its tallies stay.
  lookFor: z.object({
    name: z.string().trim().min(1, 'What is looked for?').max(40, 'At most 40 characters'),
    tone: z.enum(lookForTones),
    /** Counted each time, ticked once a lesson, or timed in seconds. */
    measure: z.enum(lookForMeasures),
    sign: z.enum(lookForSigns),
    /** Null: all classes share it. */
    sectionId: Id.nullable(),
    position: z.int().min(0).max(9999),
  }),
  // A few look-fors for a purpose.
  focus: z.object({
    name: z.string().trim().min(1, 'A set needs a name').max(40, 'At most 40 characters'),
    sectionId: Id.nullable(),
    lookForIds: z.array(Id).min(1, 'A set has at least one').max(12, 'A set has at most 12'),
  }),
  // That somebody was looking in a lesson, from when to when; its id is the lesson's.
  tallying: z.object({
    lessonId: Id,
    onAt: Instant,
    /** Null: to the end of the lesson. */
    offAt: Instant.nullable(),
    focusId: Id.nullable(),
  }),
  // One thing seen.
  tally: z.object({
    lessonId: Id,
    /** Null: the whole class. */
    studentId: Id.nullable(),
    lookForId: Id,
    at: Instant,
    /** How many, or seconds; null while a timed one runs; below none only where a number was corrected. */
    amount: z.int().min(-86_400).max(86_400).nullable(),
    circleId: Id.nullable(),
    /** The number that stood there when it was set right by hand; null is seen, not corrected. */
    correctedFrom: z.int().min(0).max(86_400).nullable(),
    /** A timed one that ended with the lesson, for nobody stopped it: whether it was so long is not known. */
    unsure: z.boolean(),
  }),
  // What the teacher wrote about a look-for's counts, of one student or (null) the class.
  countComment: z.object({
    sectionId: Id,
    lookForId: Id,
    studentId: Id.nullable(),
    text: z.string().max(2000, 'At most 2,000 characters'),
  }),
} as const;
