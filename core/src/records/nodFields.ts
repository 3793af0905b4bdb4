import { z } from 'zod';
import { Id, LocalDate, LocalMoment, LocalTime, shortText } from './values';

const Tickets = z.int().min(0).max(10_000_000);

export const drawChances = ['nods', 'equal'] as const;
export const drawRests = ['everyone', 'weeks', 'none'] as const;

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
  // A lot drawn among those with nods, with all that is needed to draw it again.
  draw: z.object({
    /** The class; null: the whole school. */
    sectionId: Id.nullable(),
    /** Only this group of the class; empty: all of it. */
    groupName: z.string().max(80),
    at: LocalMoment,
    /** The days of the nods that count, both included. */
    startsOn: LocalDate,
    endsOn: LocalDate,
    /** A ticket for each nod, or one for each student. */
    chances: z.enum(drawChances),
    /** Who was drawn rests until everyone has had a turn, for some weeks, or not at all. */
    rest: z.enum(drawRests),
    restWeeks: z.int().min(1).max(52).nullable(),
    wanted: z.int().min(1, 'Draw at least one').max(50, 'At most 50 at once'),
    seed: z.int().min(0).max(999_999_999),
    /** How many tickets those have who do not rest, and those who do. */
    tickets: Tickets,
    restingTickets: Tickets,
    entries: z
      .array(
        z.strictObject({
          studentId: Id,
          rests: z.boolean(),
          firstTicket: Tickets.min(1),
          tickets: z.int().min(1).max(1000),
        }),
      )
      .max(5000),
    /** In the order in which they were drawn. */
    winners: z.array(Id).max(50),
  }),
} as const;
