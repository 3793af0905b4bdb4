import { z } from 'zod';
import { changeKind } from '../changes/kind';
import { Id, LocalDate, recordFields } from '../records/schema';

const inOrder = (span: { startsOn: string; endsOn: string }) => span.startsOn <= span.endsOn;
const orderError = { message: 'It ends before it begins', path: ['endsOn'] };

export const TermToSet = recordFields.term
  .extend({ id: Id })
  .refine(({ name }) => name !== '', { message: 'A term needs a name', path: ['name'] })
  .refine(inOrder, orderError);

export const DayOffToAdd = recordFields.dayOff
  .extend({ id: Id })
  .refine(inOrder, orderError)
  .refine(({ offFrom, offUntil }) => offFrom === null || offUntil === null || offFrom < offUntil, {
    message: 'The part of the day ends before it begins',
    path: ['offUntil'],
  });

/** The periods of a school's day, all of them. */
export const SchoolPeriods = recordFields.school.shape.periods
  .unwrap()
  .refine((periods) => periods.every(({ startsAt, endsAt }) => startsAt < endsAt), {
    message: 'A period ends before it begins',
  })
  .refine((periods) => new Set(periods.map(({ name }) => name.toLowerCase())).size === periods.length, {
    message: 'Two periods have one name',
  });

export const MeetingToAdd = recordFields.meeting
  .extend({ id: Id })
  .refine((meeting) => meeting.startsAt < meeting.endsAt, {
    message: 'The lesson ends before it begins',
    path: ['endsAt'],
  });

/** Times of the timetable that give way, and those in their place. */
const MeetingsReplaced = {
  /** Until its last day, for what was held stays; null where nothing was: it is taken out. */
  ended: z.array(z.strictObject({ id: Id, validUntil: LocalDate.nullable() })).max(400),
  added: z.array(MeetingToAdd).max(400),
};

export const calendarChanges = {
  'school.set': changeKind(z.strictObject({ id: Id, ...recordFields.school.shape })),
  // The periods, with the lessons at the times of those that change, as one.
  'school.periods': changeKind(z.strictObject({ id: Id, periods: SchoolPeriods, ...MeetingsReplaced })),
  'term.set': changeKind(TermToSet),
  // Another term from the one before: new classes, times and enrolments; the old ones end.
  'term.next': changeKind(
    z.strictObject({
      term: TermToSet,
      sections: z.array(recordFields.section.extend({ id: Id })).max(40),
      meetings: z.array(recordFields.meeting.extend({ id: Id })).max(400),
      enrolments: z.array(recordFields.enrolment.extend({ id: Id })).max(5000),
      // What a class has of its own comes along; what all classes share needs nothing.
      lookFors: z
        .array(recordFields.lookFor.extend({ id: Id }))
        .max(2000)
        .default([]),
      focuses: z
        .array(recordFields.focus.extend({ id: Id }))
        .max(1000)
        .default([]),
      roomPlans: z
        .array(recordFields.roomPlan.extend({ id: Id }))
        .max(400)
        .default([]),
      ended: z.strictObject({
        on: LocalDate,
        meetingIds: z.array(Id).max(400),
        enrolmentIds: z.array(Id).max(5000),
      }),
    }),
  ),
  'dayOff.add': changeKind(z.strictObject({ days: z.array(DayOffToAdd).min(1).max(400) })),
  'dayOff.remove': changeKind(z.strictObject({ id: Id })),
  'meeting.add': changeKind(MeetingToAdd, ({ sectionId }) => sectionId),
  // What a device with an older application may still have to send: one time ended or removed by itself.
  'meeting.end': changeKind(z.strictObject({ id: Id, validUntil: LocalDate })),
  'meeting.replace': changeKind(z.strictObject(MeetingsReplaced), ({ added }) => added[0]?.sectionId ?? null),
  'meeting.remove': changeKind(z.strictObject({ id: Id })),
};
