import type { EditsByKind } from '../changes/edit';
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
  'dayOff.add': ({ days }) => days.map(({ id, ...values }) => ({ op: 'make', table: 'dayOff', id, values })),
  'dayOff.remove': ({ id }) => [{ op: 'set', table: 'dayOff', id, values: { removed: true } }],
  'meeting.add': ({ id, ...values }) => [{ op: 'make', table: 'meeting', id, values }],
  'meeting.end': ({ id, validUntil }) => [{ op: 'set', table: 'meeting', id, values: { validUntil } }],
  'meeting.remove': ({ id }) => [{ op: 'set', table: 'meeting', id, values: { removed: true } }],
};
