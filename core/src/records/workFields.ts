import { z } from 'zod';
import { Id, LocalMoment, shortText } from './values';

export const handInStatuses = ['handed_in', 'missing', 'excused'] as const;

/** What comes from elsewhere: work that was set, what was handed in, and what was done online. */
export const workFields = {
  work: z.object({
    sectionId: Id,
    title: shortText,
    assignedAt: LocalMoment.nullable(),
    dueAt: LocalMoment.nullable(),
    points: z.number().nullable(),
    /** Whose own it is; null is everybody's in the class. */
    studentId: Id.nullable().default(null),
  }),
  // One student's part of a piece of work; its id is made of both.
  handIn: z.object({
    workId: Id,
    studentId: Id,
    status: z.enum(handInStatuses),
    handedInAt: LocalMoment.nullable(),
    handedBackAt: LocalMoment.nullable(),
    score: z.number().nullable(),
    /** A score in letters or words, as it was written; it counts nowhere. */
    written: z.string().trim().min(1).max(40, 'At most 40 characters').nullable().default(null),
    /** How long it took, where somebody noted it. */
    minutes: z.int().min(0).max(1440, 'At most the minutes of a day').nullable().default(null),
  }),
  activity: z.object({
    sectionId: Id.nullable(),
    studentId: Id,
    at: LocalMoment,
    kind: shortText,
    place: shortText,
    object: shortText,
    seconds: z.number().nullable(),
  }),
} as const;
