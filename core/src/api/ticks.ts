import { z } from 'zod';
import { Id } from '../records/schema';
import { fileAnswer, Paper, type Endpoint } from './endpoint';

export const tickEndpoints = {
  ticksFile: {
    summary: 'The tick-sheet of a class as a table, with its legend: CSV, XLSX, or a list on paper as PDF.',
    params: z.object({ sectionId: Id }),
    query: z.object({
      format: z.enum(['csv', 'xlsx', 'pdf']).default('xlsx'),
      order: z.enum(['given', 'family']).default('given'),
      ...Paper,
    }),
    ...fileAnswer(['xlsx', 'csv', 'pdf']),
  },
  receipts: {
    summary: 'Receipts for what was paid of a fee, of one student or of all who paid, three to a sheet.',
    params: z.object({ columnId: Id }),
    query: z.object({
      studentId: Id.optional(),
      order: z.enum(['given', 'family']).default('given'),
      ...Paper,
    }),
    ...fileAnswer(['pdf']),
  },
} satisfies Record<string, Endpoint>;
