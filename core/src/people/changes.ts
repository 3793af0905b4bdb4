import { z } from 'zod';
import { changeKind } from '../changes/kind';
import { Id, LocalDate, recordFields } from '../records/schema';

export const StudentFields = recordFields.student.refine(
  (student) => student.givenName !== '' || student.familyName !== '',
  { message: 'A student needs a name', path: ['givenName'] },
);
export const GuardianFields = recordFields.guardian.omit({ studentId: true }).extend({ id: Id });

const EnrolmentToSet = recordFields.enrolment
  .extend({ id: Id })
  .refine(({ startsOn, endsOn }) => !startsOn || !endsOn || startsOn <= endsOn, {
    message: 'The last day is before the first',
    path: ['endsOn'],
  });

export const peopleChanges = {
  'section.set': changeKind(
    recordFields.section.pick({ name: true, subject: true, room: true }).extend({ id: Id }).strict(),
    ({ id }) => id,
  ),
  // What the lessons of a class have, in this order.
  'section.lessonModes': changeKind(
    z
      .strictObject({ id: Id, lessonModes: recordFields.section.shape.lessonModes })
      .refine(({ lessonModes: chosen }) => new Set(chosen).size === chosen.length, {
        message: 'One of them stands there twice',
        path: ['lessonModes'],
      }),
    ({ id }) => id,
  ),
  'section.remove': changeKind(z.strictObject({ id: Id }), ({ id }) => id),
  'student.set': changeKind(
    z.strictObject({ id: Id, student: StudentFields, guardians: z.array(GuardianFields).max(4) }),
    ({ id }) => id,
  ),
  'enrolment.set': changeKind(EnrolmentToSet, ({ studentId }) => studentId),
  'enrolment.end': changeKind(z.strictObject({ id: Id, endsOn: LocalDate })),
  'enrolment.remove': changeKind(z.strictObject({ id: Id })),
  // To another class on a day: the old enrolment ends the day before, so its marks keep their place.
  'enrolment.move': changeKind(
    z.strictObject({
      id: Id,
      endsOn: LocalDate,
      to: recordFields.enrolment
        .pick({ sectionId: true, studentId: true, cohort: true })
        .extend({ id: Id, startsOn: LocalDate }),
    }),
    ({ to }) => to.studentId,
  ),
  'cohort.set': changeKind(
    z.strictObject({
      sectionId: Id,
      enrolmentIds: z.array(Id).min(1).max(500),
      cohort: recordFields.enrolment.shape.cohort,
    }),
    ({ sectionId }) => sectionId,
  ),
};
