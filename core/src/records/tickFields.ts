import { z } from 'zod';
import {
  longestChoice,
  longestTick,
  longestTickName,
  longestUnit,
  mostAmount,
  mostChoices,
  tickKinds,
} from '../ticks/limits';
import { Id, LocalDate, shortText } from './values';

const Amount = z.number().min(0, 'Not below 0').max(mostAmount, 'At most a million');

/** The many small things that are kept of each student. */
export const tickFields = {
  // A column of a class's tick-sheet.
  tickColumn: z.object({
    sectionId: Id,
    name: z.string().trim().min(1, 'What is it called?').max(longestTickName, 'At most 60 characters'),
    kind: z.enum(tickKinds),
    /** What it is called on paper; columns stand in this order. */
    number: z.int().min(1).max(999),
    dueOn: LocalDate.nullable(),
    /** What its signs mean, and whatever else whoever fills it should know. */
    legend: shortText,
    /** Of how many; of a fee what each student owes. Null where there is no such number. */
    most: Amount.nullable(),
    /** Behind numbers and amounts, as "€" or "cm". */
    unit: z.string().trim().max(longestUnit, 'At most 12 characters'),
    choices: z
      .array(z.string().trim().min(1).max(longestChoice, 'At most 40 characters'))
      .max(mostChoices, 'At most 20 choices'),
    /** Students see what stands there of them on their own page. */
    shown: z.boolean(),
  }),
  // What stands in a column for one student.
  tick: z.object({
    columnId: Id,
    studentId: Id,
    /** `yes`; a number with a full stop; a day `YYYY-MM-DD`; words. Null: nothing yet. */
    value: z.string().trim().max(longestTick, 'At most 200 characters').nullable(),
    /** The day on which it came, or was paid. */
    on: LocalDate.nullable(),
    /** What this student owes in place of what everybody does. */
    owes: Amount.nullable(),
    /** Nothing is asked of this student. */
    exempt: z.boolean(),
  }),
} as const;
