import { z } from 'zod';
import { Day, Paper } from '../../api/endpoint';
import { Id } from '../../records/schema';
import { pageLanguages } from '../readerPage/language';
import { PageSettings, Words } from '../readerPage/settings';
import { mostReports } from './limits';

/** A reader's page as a PDF: the same choice, on paper. */
export const PagePaper = z.strictObject({ settings: PageSettings, ...Paper });

/** Reports on students, one after the other, each of them beginning a sheet of its own. */
export const Reports = z
  .strictObject({
    studentIds: z
      .array(Id)
      .min(1, 'Whom are they about?')
      .max(mostReports, `At most ${mostReports} students`),
    language: z.enum(pageLanguages),
    from: Day,
    to: Day,
    presence: z.boolean(),
    engagement: z.boolean(),
    work: z.boolean(),
    weather: z.boolean(),
    circles: z.boolean().default(false),
    nods: z.boolean().default(false),
    lookForIds: z.array(Id).max(12, 'At most 12 look-fors'),
    /** Whether sentences made of the facts stand first. */
    sentences: z.boolean(),
    /** By student: what the teacher says of each. */
    comments: z.record(Id, Words),
    ...Paper,
  })
  .refine(({ from, to }) => from <= to, { path: ['to'], message: 'The last day is before the first' })
  .refine(
    ({ presence, engagement, work, weather, circles, nods, lookForIds, comments }) =>
      [presence, engagement, work, weather, circles, nods].some(Boolean) ||
      lookForIds.length > 0 ||
      Object.values(comments).some((words) => words !== ''),
    { path: ['presence'], message: 'Nothing is chosen yet' },
  );
export type Reports = z.infer<typeof Reports>;
