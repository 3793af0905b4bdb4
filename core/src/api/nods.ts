import { z } from 'zod';
import { Id } from '../records/schema';
import { Range, rows, type Endpoint } from './endpoint';

export const nodEndpoints = {
  nods: {
    summary: 'The nods that were given in a class over a range of days.',
    params: z.object({ sectionId: Id }),
    query: Range,
    answer: z.object({ nod: rows('nod') }),
  },
} satisfies Record<string, Endpoint>;
