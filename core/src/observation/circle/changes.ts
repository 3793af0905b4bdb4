import { z } from 'zod';
import { changeKind } from '../../changes/kind';
import { Id, Instant, recordFields } from '../../records/schema';
import { LessonKey } from '../../attendance/roll/changes';
import { Together } from '../tallies/changes';
import { mostMembers } from './seating';

export const MemberFields = recordFields.circleMember.omit({ circleId: true }).strict();
export type MemberFields = z.infer<typeof MemberFields>;

const oneMember = { circleId: Id, studentId: Id };

export const circleChanges = {
  'circle.begin': changeKind(
    z.strictObject({
      lesson: LessonKey,
      together: Together,
      id: Id,
      lookForIds: recordFields.circle.shape.lookForIds,
      groupName: recordFields.circle.shape.groupName,
      startedAt: Instant,
      members: z
        .array(MemberFields)
        .min(2, 'A circle has at least two')
        .max(mostMembers, `A circle has at most ${mostMembers}`),
    }),
    ({ id }) => id,
  ),
  // Whoever comes late, or is called in from outside.
  'circle.join': changeKind(
    z.strictObject({ circleId: Id, members: z.array(MemberFields).min(1).max(mostMembers) }),
    ({ circleId }) => circleId,
  ),
  // Null: it goes on.
  'circle.end': changeKind(z.strictObject({ id: Id, endedAt: Instant.nullable() }), ({ id }) => id),
  'circle.seat': changeKind(
    z.strictObject({
      circleId: Id,
      seats: z
        .array(MemberFields.pick({ studentId: true, place: true }))
        .min(1)
        .max(mostMembers),
    }),
    ({ circleId }) => circleId,
  ),
  'circle.feedback': changeKind(
    z.strictObject({ ...oneMember, feedback: recordFields.circleMember.shape.feedback }),
    ({ circleId }) => circleId,
  ),
  'circle.nextGoal': changeKind(
    z.strictObject({
      ...oneMember,
      nextLookForId: Id.nullable(),
      nextCount: recordFields.circleMember.shape.nextCount,
    }),
    ({ circleId }) => circleId,
  ),
  // Some of a class, kept by name to be chosen again.
  'group.set': changeKind(
    recordFields.studentGroup.extend({ id: Id }).strict(),
    ({ sectionId }) => sectionId,
  ),
  'group.remove': changeKind(
    z.strictObject({ id: Id, sectionId: Id, removed: z.boolean() }),
    ({ sectionId }) => sectionId,
  ),
};
