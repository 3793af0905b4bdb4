import { z } from 'zod';
import { Id } from '../records/schema';
import { NewCards, OwnViewSettings } from '../sharing/ownView/settings';
import { Done, fileAnswer, fileTypes, type Endpoint } from './endpoint';

const OfSection = z.object({ sectionId: Id });
const OfStudent = z.object({ studentId: Id });
const Token = z.object({ token: z.string().max(100) });
const html = { answer: z.string(), answersWith: [fileTypes.html] };

/** The card of a student who is in the class now. */
const CardOf = z.object({
  studentId: z.string(),
  /** Null: they have none. */
  madeAt: z.iso.datetime().nullable(),
  openings: z.int(),
  openedAt: z.iso.datetime().nullable(),
});

export const ownViewEndpoints = {
  ownView: {
    summary: 'What the students of a class see of themselves, and who has a card.',
    params: OfSection,
    answer: z.object({
      /** Null: nothing. */
      settings: OwnViewSettings.nullable(),
      setBy: z.string(),
      cards: z.array(CardOf),
    }),
  },
  setOwnView: {
    summary: 'Sets what the students of a class see of themselves; null for nothing.',
    params: OfSection,
    body: z.strictObject({ settings: OwnViewSettings.nullable() }),
    answer: Done,
  },
  previewOwnView: {
    summary: 'The part of a student’s own page that is about this class, as the student would see it.',
    params: OfSection,
    body: z.strictObject({ settings: OwnViewSettings, studentId: Id }),
    answer: z.object({ html: z.string() }),
  },
  makeCards: {
    summary:
      'Makes cards for students of a class, eight to a sheet (PDF). Each ends the one that its student had.',
    params: OfSection,
    body: NewCards,
    ...fileAnswer(['pdf']),
  },
  replaceCard: {
    summary:
      'Makes a card for one student, to be shown at once. It ends the one before. Nobody else has the link.',
    params: OfStudent,
    answer: z.object({ token: z.string() }),
  },
  endCard: {
    summary: 'Ends a student’s card, so that its link leads nowhere.',
    params: OfStudent,
    answer: Done,
  },
  ownPage: { summary: 'A student’s own page, by their card.', params: Token, ...html },
  writeOnOwnPage: {
    summary: 'A few words of a student to a teacher of one of their classes.',
    params: Token,
    form: true,
    body: z.object({ section: z.string().max(64).default(''), words: z.string().default('') }).prefault({}),
    ...html,
  },
} satisfies Record<string, Endpoint>;
