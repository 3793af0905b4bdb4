import { PagePaper, Reports } from '../sharing/papers/settings';
import { fileAnswer, type Endpoint } from './endpoint';

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
} satisfies Record<string, Endpoint>;
