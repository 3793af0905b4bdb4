import type { Edit, EditsByKind } from '../changes/edit';
import type { peopleChanges } from './changes';

export const peopleEdits: EditsByKind<typeof peopleChanges> = {
  'standing.add': ({ id, ...values }) => [{ op: 'make', table: 'standing', id, values }],
  'section.set': ({ id, ...values }) => [
    { op: 'make', table: 'section', id, values },
    { op: 'set', table: 'section', id, values },
  ],
  'section.remove': ({ id }) => [{ op: 'set', table: 'section', id, values: { removed: true } }],
  'student.set': ({ id, student, guardians }) => [
    { op: 'make', table: 'student', id, values: student },
    { op: 'set', table: 'student', id, values: student },
    ...guardians.flatMap(({ id: guardianId, ...rest }): Edit[] => {
      const values = { ...rest, studentId: id };
      return [
        { op: 'make', table: 'guardian', id: guardianId, values },
        { op: 'set', table: 'guardian', id: guardianId, values },
      ];
    }),
  ],
  'enrolment.set': ({ id, ...values }) => [
    { op: 'make', table: 'enrolment', id, values },
    { op: 'set', table: 'enrolment', id, values },
  ],
  'enrolment.end': ({ id, endsOn }) => [{ op: 'set', table: 'enrolment', id, values: { endsOn } }],
};
