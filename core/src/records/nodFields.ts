import { z } from 'zod';
import { Id, LocalMoment, LocalTime, shortText } from './values';

/** Recognition. */
export const nodFields = {
  // That somebody did well: for what, where, and a few words.
  nod: z.object({
    studentId: Id,
    /** The class in hand when it was given; null: none. */
    sectionId: Id.nullable().default(null),
    at: LocalMoment,
    reason: shortText,
    place: shortText,
    comment: shortText,
  }),
  // What nods are given for. Removed is retired: it is offered no more, and nods keep its words.
  nodReason: z.object({
    name: z.string().trim().min(1, 'What is a nod for?').max(40, 'At most 40 characters'),
    position: z.int().min(0).max(9999),
  }),
  // To whom the nods of a class are told by themselves; its id is the class's.
  nodTelling: z.object({
    sectionId: Id,
    toStudents: z.boolean(),
    toGuardians: z.boolean(),
    /** Nothing goes out between the two, also over midnight; null: there are no quiet hours. */
    quietFrom: LocalTime.nullable(),
    quietUntil: LocalTime.nullable(),
  }),
} as const;
