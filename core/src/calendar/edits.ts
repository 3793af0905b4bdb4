import type { Edit, EditsByKind } from '../changes/edit';
import type { calendarChanges } from './changes';

export const calendarEdits: EditsByKind<typeof calendarChanges> = {
  'school.set': ({ id, ...values }) => [
    { op: 'ensure', table: 'school', id, values },
    { op: 'set', table: 'school', id, values },
  ],
  'term.set': ({ id, ...values }) => [
    { op: 'ensure', table: 'term', id, values },
    { op: 'set', table: 'term', id, values },
  ],
  'term.next': ({ term: { id: termId, ...term }, sections, meetings, enrolments, ended }) => [
    { op: 'make', table: 'term', id: termId, values: term },
    ...sections.map(({ id, ...values }): Edit => ({ op: 'make', table: 'section', id, values })),
    ...meetings.map(({ id, ...values }): Edit => ({ op: 'make', table: 'meeting', id, values })),
    ...enrolments.map(({ id, ...values }): Edit => ({ op: 'make', table: 'enrolment', id, values })),
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
  'meeting.remove': ({ id }) => [{ op: 'set', table: 'meeting', id, values: { removed: true } }],
};
