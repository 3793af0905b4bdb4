import { z } from 'zod';
import { Paper } from '../../api/endpoint';
import { Id } from '../../records/schema';
import { pageLanguages } from '../readerPage/language';
import { mostCards, ownParts, type OwnPart } from './limits';

const isShown = Object.fromEntries(ownParts.map((part) => [part, z.boolean().default(false)])) as Record<
  OwnPart,
  z.ZodDefault<z.ZodBoolean>
>;

/** What the students of a class are shown of themselves, each by their own card. */
export const OwnViewSettings = z
  .strictObject({ ...isShown, language: z.enum(pageLanguages) })
  .refine((settings) => ownParts.some((part) => settings[part]), {
    path: ['presence'],
    message: 'Nothing is chosen yet',
  });
export type OwnViewSettings = z.infer<typeof OwnViewSettings>;

/** Whose cards are made: each ends the one that its student had. */
export const NewCards = z.strictObject({
  studentIds: z.array(Id).min(1, 'Whose cards?').max(mostCards, `At most ${mostCards} cards`),
  ...Paper,
});
