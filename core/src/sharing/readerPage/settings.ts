import { z } from 'zod';
import { Id, LocalDate } from '../../records/schema';
import { optionalEmail } from '../../records/values';
import { pageLanguages } from './language';
import { mostOnPage, readerRelations } from './limits';

/** What a teacher says in their own words. */
export const Words = z.string().trim().max(4000, 'At most 4,000 characters');

/** What a reader is shown: chosen by the teacher, kept with the page, and read anew at each opening. */
export const PageSettings = z
  .strictObject({
    studentIds: z.array(Id).max(mostOnPage, `At most ${mostOnPage} students`),
    /** The class that is told of as a whole, without a name; null where students are told of. */
    sectionId: Id.nullable().default(null),
    reader: z.string().trim().min(1, 'Who reads it?').max(80, 'At most 80 characters'),
    relation: z.enum(readerRelations),
    language: z.enum(pageLanguages),
    from: LocalDate,
    /** Null: it is kept up to date. */
    to: LocalDate.nullable(),
    presence: z.boolean(),
    engagement: z.boolean(),
    work: z.boolean(),
    weather: z.boolean(),
    /** What was given back of discussions, with goals. */
    circles: z.boolean().default(false),
    nods: z.boolean().default(false),
    /** Each with what the teacher says of it. */
    lookFors: z.array(z.strictObject({ id: Id, comment: Words })).max(12, 'At most 12 look-fors'),
    /** What was watched closely, by plan, each with what the teacher says of it. */
    observations: z
      .array(z.strictObject({ id: Id, comment: Words }))
      .max(12, 'At most 12')
      .default([]),
    noteIds: z.array(Id).max(60, 'At most 60 notes'),
    stepIds: z.array(Id).max(60, 'At most 60 steps'),
    /** In the teacher's own words. */
    summary: Words,
    mayWriteBack: z.boolean(),
  })
  .refine(({ studentIds, sectionId }) => (sectionId === null) === studentIds.length > 0, {
    path: ['studentIds'],
    message: 'A page tells of students, or of a class without names',
  })
  .refine(
    ({ sectionId, circles, nods, observations, noteIds, stepIds }) =>
      sectionId === null ||
      (!circles && !nods && observations.length + noteIds.length + stepIds.length === 0),
    { path: ['noteIds'], message: 'What is written of students does not go without their names' },
  )
  .refine(({ from, to }) => to === null || from <= to, {
    path: ['to'],
    message: 'The last day is before the first',
  })
  .refine(
    ({ presence, engagement, work, weather, circles, nods, summary, ...some }) =>
      [presence, engagement, work, weather, circles, nods, summary !== ''].some(Boolean) ||
      some.lookFors.length + some.observations.length + some.noteIds.length + some.stepIds.length > 0,
    { path: ['presence'], message: 'Nothing is chosen yet' },
  );
export type PageSettings = z.infer<typeof PageSettings>;

/** A page that is to be made: what is on it, until when, and how it gets to its reader. */
export const NewPage = z.strictObject({
  settings: PageSettings,
  /** The last day on which it opens, by the school's clock. */
  until: LocalDate,
  /** Told by another way; empty for none. */
  code: z
    .string()
    .trim()
    .max(20, 'At most 20 characters')
    .refine((code) => code === '' || code.length >= 4, 'At least 4 characters, or none'),
  /** Where the link is sent; empty where it is handed on otherwise. */
  email: optionalEmail,
});
export type NewPage = z.infer<typeof NewPage>;
