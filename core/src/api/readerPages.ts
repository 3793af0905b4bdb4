import { z } from 'zod';
import { Id } from '../records/schema';
import { NewPage, PageSettings } from '../sharing/readerPage/settings';
import { Done, fileTypes, type Endpoint } from './endpoint';
import { Letter } from './letter';

/** A page that was made for a reader, as its makers see it. */
const Made = z.object({
  id: z.string(),
  settings: PageSettings,
  /** Those whose page it is, by the names they have now. */
  names: z.array(z.string()),
  /** The class that it tells of as a whole. */
  className: z.string().nullable(),
  madeBy: z.string(),
  madeAt: z.iso.datetime(),
  until: z.string(),
  /** When it was ended; null while nobody ended it. */
  endedAt: z.iso.datetime().nullable(),
  isOpen: z.boolean(),
  hasCode: z.boolean(),
  /** The letter with its link; null where that was handed on otherwise. */
  letter: Letter.nullable(),
  openings: z.int(),
  openedAt: z.iso.datetime().nullable(),
  /** The last times it was opened, to the minute. */
  lately: z.array(z.object({ minute: z.string(), times: z.int() })),
});

const Pages = z.object({ pages: z.array(Made) });
const OfStudent = z.object({ studentId: Id });
const html = { answer: z.string(), answersWith: [fileTypes.html] };
const Token = z.object({ token: z.string().max(100) });

export const readerPageEndpoints = {
  previewPage: {
    summary:
      'A reader’s page just as its reader would get it, with whom it names and whom it shortens to initials.',
    body: NewPage.omit({ email: true }),
    answer: z.object({
      html: z.string(),
      /** A summary of the facts, to be set right. */
      draft: z.string(),
      named: z.array(z.string()),
      shortened: z.array(z.object({ name: z.string(), as: z.string() })),
    }),
  },
  makePage: {
    summary:
      'Makes a page for one reader, and sends its link where there is an address. Nobody else has the link but the caller.',
    body: NewPage,
    answer: z.object({
      id: z.string(),
      token: z.string(),
      /** Whether its letter is on its way: it has an address, and a mail server is set up. */
      mailed: z.boolean(),
    }),
  },
  pages: {
    summary: 'The pages that whoever asks has made for readers, the newest first.',
    answer: Pages,
  },
  pagesOfStudent: {
    summary: 'The pages on which a student stands, also those that colleagues made.',
    params: OfStudent,
    answer: Pages,
  },
  endPage: {
    summary: 'Ends a page, so that its link leads nowhere.',
    params: z.object({ pageId: z.string().max(64) }),
    answer: Done,
  },
  endPagesOfStudent: {
    summary: 'Ends every page on which a student stands.',
    params: OfStudent,
    answer: z.object({ ended: z.int() }),
  },
  readPage: {
    summary: 'A reader’s page, or the question for its code.',
    params: Token,
    ...html,
  },
  answerPage: {
    summary: 'The code of a reader’s page, or what its reader writes back.',
    params: Token,
    form: true,
    body: z.object({ code: z.string().default(''), words: z.string().optional() }).prefault({}),
    ...html,
  },
} satisfies Record<string, Endpoint>;
