import { z } from 'zod';
import { Id, LocalDate, LocalTime, name, Zone } from './values';

/** A time of the school's day that has a name. */
const Period = z.object({
  name: z.string().trim().min(1, 'A period needs a name').max(20, 'At most 20 characters'),
  startsAt: LocalTime,
  endsAt: LocalTime,
});

/** What decides when lessons are. */
export const calendarFields = {
  school: z.object({
    name,
    zone: Zone,
    graceMinutes: z.int().min(0).max(60),
    /** The times of its day, by name. */
    periods: z.array(Period).max(30, 'At most 30 periods').default([]),
  }),
  term: z.object({ name, startsOn: LocalDate, endsOn: LocalDate }),
  dayOff: z.object({
    startsOn: LocalDate,
    endsOn: LocalDate,
    name,
    /** Where only a part of each day is off: lessons that begin from this time on; null from its beginning. */
    offFrom: LocalTime.nullable().default(null),
    /** And before this time; null to its end. */
    offUntil: LocalTime.nullable().default(null),
  }),
  meeting: z.object({
    sectionId: Id,
    weekday: z.int().min(1).max(7),
    startsAt: LocalTime,
    endsAt: LocalTime,
    validFrom: LocalDate.nullable(),
    validUntil: LocalDate.nullable(),
    /** A day of one of the weeks in which it meets, where that is every other week; null: every week. */
    everyOtherFrom: LocalDate.nullable().default(null),
  }),
} as const;
