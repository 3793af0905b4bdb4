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
  'standing.add': changeKind(recordFields.standing.extend({ id: Id })),
  'section.set': changeKind(z.strictObject({ id: Id, ...recordFields.section.shape }), ({ id }) => id),
  'section.remove': changeKind(z.strictObject({ id: Id }), ({ id }) => id),
  'student.set': changeKind(
    z.strictObject({ id: Id, student: StudentFields, guardians: z.array(GuardianFields).max(4) }),
    ({ id }) => id,
  ),
  'enrolment.set': changeKind(EnrolmentToSet, ({ studentId }) => studentId),
  'enrolment.end': changeKind(z.strictObject({ id: Id, endsOn: LocalDate })),
};
