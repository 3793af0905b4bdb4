import { z } from 'zod';
import { concerns, streamNames } from '../watch/signals/names';
import { contactTones, contactWays } from '../contact/tones';
import { Id, Instant, LocalDate, messageReaders, shortText } from './values';

const Concern = z.enum(concerns);
const share = z.number().min(0.01).max(1);

/** The records around the watch list: what a teacher does about a student, and what is to be watched. */
export const watchFields = {
  // What was done about a student, and when to look again.
  step: z.object({
    studentId: Id,
    /** The concern and the class that it is about, where it is about one. */
    sectionId: Id.nullable(),
    concern: Concern.nullable(),
    at: Instant,
    kind: z.string().trim().min(1, 'What was done?').max(40, 'At most 40 characters'),
    text: z.string().max(2000, 'At most 2,000 characters'),
    lookAgainOn: LocalDate.nullable(),
    /** Where it was contact with somebody: how, with whom, whether they were reached, and what they heard. */
    contact: z
      .object({
        way: z.enum(contactWays),
        toWhom: z.enum(messageReaders),
        withWhom: shortText,
        isReached: z.boolean(),
        tone: z.enum(contactTones),
      })
      .nullable()
      .default(null),
  }),
  // A concern that is not to be shown for now, or is none; its id is made of all three.
  quiet: z.object({
    studentId: Id,
    sectionId: Id,
    concern: Concern,
    at: Instant,
    /** To this day; null is for good, because. */
    until: LocalDate.nullable(),
    because: z.string().trim().max(500, 'At most 500 characters'),
    /** How strong it was then: clearly stronger, it comes back. */
    strength: z.number().min(0).max(1),
  }),
  // What a teacher watches in a class, and from which lines on; its id is the class's.
  watchSetting: z.object({
    sectionId: Id,
    streams: z.array(z.enum(streamNames)).max(streamNames.length),
    shares: z.array(share).max(5),
    fewestTaken: z.int().min(5).max(100),
    inARow: z.int().min(2).max(20),
    missingOfFive: z.int().min(1).max(5),
  }),
  // A student's summary, drafted from the facts and set right by the teacher.
  pathSummary: z.object({
    studentId: Id,
    at: Instant,
    text: z.string().trim().min(1, 'There is nothing in this summary').max(10_000),
  }),
} as const;
