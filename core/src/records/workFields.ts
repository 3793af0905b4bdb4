import { z } from 'zod';
import { Id, LocalMoment, shortText } from './values';

export const handInStatuses = ['handed_in', 'missing', 'excused'] as const;

/** What comes from elsewhere: work that was set, what was handed in, what was done online; and nods. */
export const workFields = {
  work: z.object({
    sectionId: Id,
    title: shortText,
    assignedAt: LocalMoment.nullable(),
    dueAt: LocalMoment.nullable(),
    points: z.number().nullable(),
  }),
  // One student's part of a piece of work; its id is made of both.
  handIn: z.object({
    workId: Id,
    studentId: Id,
    status: z.enum(handInStatuses),
    handedInAt: LocalMoment.nullable(),
    handedBackAt: LocalMoment.nullable(),
    score: z.number().nullable(),
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
  nod: z.object({ studentId: Id, at: LocalMoment, reason: shortText, place: shortText, comment: shortText }),
} as const;
