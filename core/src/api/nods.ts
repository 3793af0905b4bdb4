import { z } from 'zod';
import { Id } from '../records/schema';
import { Range, rows, type Endpoint } from './endpoint';

const Counts = z.array(z.object({ key: z.string(), count: z.number() }));

/** Somebody of the school, with the names of the classes that they are in today. */
const Named = z.object({ id: Id, name: z.string(), classes: z.array(z.string()) });

export const nodEndpoints = {
  nods: {
    summary: 'The nods that were given in a class over a range of days, and to its students without a class.',
    params: z.object({ sectionId: Id }),
    query: Range,
    answer: z.object({ nod: rows('nod') }),
  },
  schoolNods: {
    summary:
      'For the keeper: how many nods the whole school gave over a range of days, by student, class, reason, place, week and month, and its draws.',
    query: Range,
    answer: z.object({
      total: z.number(),
      counts: z.object({
        student: Counts,
        section: Counts,
        reason: Counts,
        place: Counts,
        week: Counts,
        month: Counts,
      }),
      /** Whoever is counted and of a class today: who can be drawn. */
      students: z.array(Named),
      /** Whoever else stands in the list of a draw. */
      formerly: z.array(Named),
      classes: z.array(z.object({ id: Id, name: z.string() })),
      draw: rows('draw'),
    }),
  },
  noddedStudents: {
    summary: 'For every teacher of the school: which students had a nod over a range of days, and no more.',
    query: Range,
    answer: z.object({ students: z.array(Named) }),
  },
} satisfies Record<string, Endpoint>;
