import { z } from 'zod';
import { emailShape, longestEmail } from './emailShape';

/** Any text of 1 to 64 characters without control characters; ours are ULIDs. */
export const Id = z
  .string()
  .min(1)
  .max(64)
  .regex(/^\P{Cc}+$/u, 'An id has no control characters');

/** A calendar day in the school's zone, `YYYY-MM-DD`. */
export const LocalDate = z.iso.date('A date looks like 2026-11-23');

/** A wall-clock time in the school's zone, `HH:MM`. */
export const LocalTime = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'A time looks like 09:05');

/** A moment, UTC, ISO 8601 with milliseconds. */
export const Instant = z.iso.datetime('A moment looks like 2026-11-23T09:05:00.000Z');

export const shortText = z.string().trim().max(200, 'At most 200 characters');
export const name = z.string().trim().max(120, 'At most 120 characters');

export const Email = z
  .string()
  .trim()
  .max(longestEmail)
  .pipe(z.email({ pattern: emailShape, error: 'This is not an e-mail address' }));
export const optionalEmail = z.union([z.literal(''), Email]);

export const Zone = z.string().max(64).refine(isZone, 'This time zone is not known');

function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}

/** A moment on the clocks of the school, `YYYY-MM-DDTHH:MM:SS`, as files of other systems give it. */
export const localMomentShape = /^\d{4}-\d{2}-\d{2}T([01]\d|2[0-3]):[0-5]\d(:[0-5]\d)?$/;
export const LocalMoment = z.string().regex(localMomentShape, 'A moment looks like 2026-11-23T09:05:00');

/** To whom letters go. */
export const messageReaders = ['student', 'guardians'] as const;
