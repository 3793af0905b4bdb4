import { z } from 'zod';
import { Id } from '../records/schema';
import { PagePaper, Reports } from '../sharing/papers/settings';
import { fileAnswer, Range, type Endpoint } from './endpoint';

export const paperEndpoints = {
  pagePaper: {
    summary: 'A reader’s page as a PDF: what its reader would be shown, on paper.',
    body: PagePaper,
    ...fileAnswer(['pdf']),
  },
  reports: {
    summary:
      'Reports on students as one PDF, a sheet or more for each: facts, pictures, what the teacher says.',
    body: Reports,
    ...fileAnswer(['pdf']),
  },
  workbook: {
    summary:
      'A class, or every class that whoever asks sees, over some days as one workbook (XLSX): attendance, totals, counts, engagement, work, contact, and what the words mean.',
    query: Range.extend({
      sectionId: Id.optional(),
      order: z.enum(['given', 'family']).default('given'),
    }),
    ...fileAnswer(['xlsx']),
  },
} satisfies Record<string, Endpoint>;
