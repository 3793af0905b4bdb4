import type { Edit, EditsByKind } from '../changes/edit';
import type { PayloadOf } from '../changes/kind';
import type { calendarChanges } from './changes';

function meetingsReplaced({ ended, added }: PayloadOf<(typeof calendarChanges)['meeting.replace']>): Edit[] {
  return [
    ...ended.map(({ id, validUntil }): Edit => ({
      op: 'set',
      table: 'meeting',
      id,
      values: validUntil === null ? { removed: true } : { validUntil },
    })),
    ...added.map(({ id, ...values }): Edit => ({ op: 'make', table: 'meeting', id, values })),
  ];
}

export const calendarEdits: EditsByKind<typeof calendarChanges> = {
  'school.set': ({ id, ...values }) => [
    { op: 'ensure', table: 'school', id, values },
    { op: 'set', table: 'school', id, values },
  ],
  'school.periods': ({ id, periods, ...replaced }) => [
    { op: 'set', table: 'school', id, values: { periods } },
    ...meetingsReplaced(replaced),
  ],
  'term.set': ({ id, ...values }) => [
    { op: 'ensure', table: 'term', id, values },
    { op: 'set', table: 'term', id, values },
  ],
  'term.next': ({ term: { id: termId, ...term }, ended, ...made }) => [
    { op: 'make', table: 'term', id: termId, values: term },
    ...made.sections.map(({ id, ...values }): Edit => ({ op: 'make', table: 'section', id, values })),
    ...made.meetings.map(({ id, ...values }): Edit => ({ op: 'make', table: 'meeting', id, values })),
    ...made.enrolments.map(({ id, ...values }): Edit => ({ op: 'make', table: 'enrolment', id, values })),
    ...made.lookFors.map(({ id, ...values }): Edit => ({ op: 'make', table: 'lookFor', id, values })),
    ...made.focuses.map(({ id, ...values }): Edit => ({ op: 'make', table: 'focus', id, values })),
    ...made.roomPlans.map(({ id, ...values }): Edit => ({ op: 'make', table: 'roomPlan', id, values })),
    ...ended.meetingIds.map((id): Edit => ({
      op: 'set',
      table: 'meeting',
      id,
      values: { validUntil: ended.on },
    })),
    ...ended.enrolmentIds.map((id): Edit => ({
      op: 'set',
      table: 'enrolment',
      id,
      values: { endsOn: ended.on },
    })),
  ],
  'dayOff.add': ({ days }) => days.map(({ id, ...values }) => ({ op: 'make', table: 'dayOff', id, values })),
  'dayOff.remove': ({ id }) => [{ op: 'set', table: 'dayOff', id, values: { removed: true } }],
  'meeting.add': ({ id, ...values }) => [{ op: 'make', table: 'meeting', id, values }],
  'meeting.end': ({ id, validUntil }) => [{ op: 'set', table: 'meeting', id, values: { validUntil } }],
  'meeting.replace': meetingsReplaced,
  'meeting.remove': ({ id }) => [{ op: 'set', table: 'meeting', id, values: { removed: true } }],
};
