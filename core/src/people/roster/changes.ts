import { z } from 'zod';
import { changeKind } from '../../changes/kind';
import { Id, LocalDate, recordFields } from '../../records/schema';
import { GuardianFields, StudentFields } from '../changes';

/** One person of an accepted roster: added with all fields, or an old one with those that changed. */
const Person = z.strictObject({
  id: Id,
  added: StudentFields.nullable(),
  changed: recordFields.student.partial(),
  guardians: z.array(GuardianFields).max(4),
  /** What is news of those who were there. */
  guardiansChanged: z
    .array(
      GuardianFields.pick({ id: true, name: true, email: true, phone: true })
        .partial()
        .required({ id: true }),
    )
    .max(4)
    .default([]),
  enrolment: recordFields.enrolment.pick({ cohort: true, startsOn: true }).extend({ id: Id }).nullable(),
});
export type RosterPerson = z.infer<typeof Person>;

export const rosterChanges = {
  'roster.accept': changeKind(
    z.strictObject({
      sectionId: Id,
      people: z.array(Person).max(5000),
      // Who is no longer on the list, if the teacher says so: their time in the class ends.
      gone: z
        .array(z.strictObject({ enrolmentId: Id, endsOn: LocalDate }))
        .max(5000)
        .default([]),
    }),
    ({ sectionId }) => sectionId,
  ),
};
