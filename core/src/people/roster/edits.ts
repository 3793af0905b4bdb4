import type { Edit, EditsByKind } from '../../changes/edit';
import type { RosterPerson, rosterChanges } from './changes';

function editsOfPerson(sectionId: string, person: RosterPerson): Edit[] {
  const { id, added, changed, guardians, guardiansChanged, enrolment } = person;
  const edits: Edit[] = [];
  if (added) edits.push({ op: 'make', table: 'student', id, values: added });
  if (Object.keys(changed).length > 0) edits.push({ op: 'set', table: 'student', id, values: changed });
  for (const { id: guardianId, ...values } of guardians)
    edits.push({ op: 'make', table: 'guardian', id: guardianId, values: { ...values, studentId: id } });
  for (const { id: guardianId, ...values } of guardiansChanged)
    edits.push({ op: 'set', table: 'guardian', id: guardianId, values });
  if (enrolment) {
    const { id: enrolmentId, ...values } = enrolment;
    const enrolled = { ...values, sectionId, studentId: id, endsOn: null };
    edits.push({ op: 'make', table: 'enrolment', id: enrolmentId, values: enrolled });
  }
  return edits;
}

export const rosterEdits: EditsByKind<typeof rosterChanges> = {
  'roster.accept': ({ sectionId, people, gone }) => [
    ...people.flatMap((person) => editsOfPerson(sectionId, person)),
    ...gone.map(({ enrolmentId, endsOn }): Edit => ({
      op: 'set',
      table: 'enrolment',
      id: enrolmentId,
      values: { endsOn },
    })),
  ],
};
