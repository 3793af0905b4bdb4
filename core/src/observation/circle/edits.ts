import type { Edit, EditsByKind } from '../../changes/edit';
import { makeTallying } from '../tallies/edits';
import type { circleChanges, MemberFields } from './changes';

/** One student's part in one circle. */
export const memberId = (circleId: string, studentId: string) => `${circleId}.${studentId}`;

const makeMember = (circleId: string, member: MemberFields): Edit => ({
  op: 'make',
  table: 'circleMember',
  id: memberId(circleId, member.studentId),
  values: { ...member, circleId },
});

export const circleEdits: EditsByKind<typeof circleChanges> = {
  'circle.begin': ({ lesson, together, id, members, ...values }) => {
    const circle = { ...values, lessonId: lesson.id, sectionId: lesson.sectionId, endedAt: null };
    return [
      ...makeTallying({ lesson, together }, values.startedAt),
      { op: 'make', table: 'circle', id, values: circle },
      ...members.map((member) => makeMember(id, member)),
    ];
  },
  'circle.join': ({ circleId, members }) => members.map((member) => makeMember(circleId, member)),
  'circle.end': ({ id, endedAt }) => [{ op: 'set', table: 'circle', id, values: { endedAt } }],
  'circle.seat': ({ circleId, seats }) =>
    seats.map(({ studentId, place }): Edit => {
      return { op: 'set', table: 'circleMember', id: memberId(circleId, studentId), values: { place } };
    }),
  'circle.feedback': ({ circleId, studentId, feedback }) => [
    { op: 'set', table: 'circleMember', id: memberId(circleId, studentId), values: { feedback } },
  ],
  'circle.nextGoal': ({ circleId, studentId, ...values }) => [
    { op: 'set', table: 'circleMember', id: memberId(circleId, studentId), values },
  ],
  'group.set': ({ id, ...values }) => [
    { op: 'make', table: 'studentGroup', id, values },
    { op: 'set', table: 'studentGroup', id, values },
  ],
  'group.remove': ({ id, removed }) => [{ op: 'set', table: 'studentGroup', id, values: { removed } }],
};
