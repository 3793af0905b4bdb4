import { z } from 'zod';
import { Id, Instant } from './values';

/** Discussions. */
export const circleFields = {
  // A discussion of some students.
  circle: z.object({
    sectionId: Id,
    lessonId: Id,
    lookForIds: z.array(Id).min(1, 'Choose what to look for').max(12),
    groupName: z.string().max(80),
    startedAt: Instant,
    endedAt: Instant.nullable(),
  }),
  circleMember: z.object({
    circleId: Id,
    studentId: Id,
    /** Places around the ring, in this order; one may come between two. */
    place: z.number().min(-1e9).max(1e9),
    goalLookForId: Id.nullable(),
    goalCount: z.int().min(1).max(99).nullable(),
    feedback: z.string().max(1000, 'At most 1,000 characters'),
    /** For the next circle. */
    nextLookForId: Id.nullable(),
    nextCount: z.int().min(1).max(99).nullable(),
  }),
} as const;
