import type { Edit, EditsByKind } from '../changes/edit';
import type { peopleChanges } from './changes';

/** A class before it has rules of its own. */
const plainSection = {
  graceMinutes: null,
  awayFromShare: null,
  latesPerAbsence: null,
  creditBy: 'standing' as const,
  halfDayMinutes: null,
  taughtWithId: null,
  attendedByWork: false,
  wholeDayMinutes: null,
  lessonModes: [],
};

export const peopleEdits: EditsByKind<typeof peopleChanges> = {
  'section.set': ({ id, ...values }) => [
    { op: 'make', table: 'section', id, values: { ...values, ...plainSection } },
    { op: 'set', table: 'section', id, values },
  ],
  'section.lessonModes': ({ id, lessonModes }) => [
    { op: 'set', table: 'section', id, values: { lessonModes } },
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
  'enrolment.remove': ({ id }) => [{ op: 'set', table: 'enrolment', id, values: { removed: true } }],
  'enrolment.move': ({ id, endsOn, to: { id: toId, ...values } }) => [
    { op: 'set', table: 'enrolment', id, values: { endsOn } },
    { op: 'make', table: 'enrolment', id: toId, values: { ...values, endsOn: null } },
  ],
  'cohort.set': ({ enrolmentIds, cohort }) =>
    enrolmentIds.map((id) => ({ op: 'set', table: 'enrolment', id, values: { cohort } })),
};
