import type { ChangeOf } from '../src/changes/schema';

const at = '2026-11-23T10:45:00.000Z';
const message = {
  ...{ id: 'told', studentId: 'a', noticeId: 'nod', occasion: 'nod', reason: 'A nod' },
  toWhom: 'guardians' as const,
  tone: 'good' as const,
  showsAddresses: false,
  ...{ addresses: ['home@x.example'], subject: 'A nod', body: 'A nod.', writtenAt: at, notBefore: at },
};

/** Every kind of change of nods and of messages, each with something to change. */
export const everyNodChange = {
  'message.send': { messages: [{ ...message, id: 'written', notBefore: null }] },
  'nodReason.set': { id: 'reason', name: 'Kept at it', position: 1 },
  'nodTelling.set': {
    ...{ sectionId: 's', toStudents: true, toGuardians: true },
    ...{ quietFrom: '20:00', quietUntil: '07:00' },
  },
  'nod.give': {
    nods: [{ id: 'nod', studentId: 'a' }],
    ...{ sectionId: 's', at: '2026-11-23T10:45:00', reason: 'Kept at it', place: 'Shed', comment: '' },
    messages: [message],
  },
  'nod.set': {
    ...{ ids: ['nod'], reason: 'Kept at it', place: 'Quay', comment: 'All morning' },
    messages: [{ id: 'told', body: 'A nod, all morning.' }],
  },
  'draw.make': {
    ...{ id: 'draw', sectionId: 's', groupName: '', at: '2026-11-23T11:00:00' },
    ...{ startsOn: '2026-11-01', endsOn: '2026-11-30', chances: 'nods', wanted: 1, seed: 4711 },
    ...{ rest: 'everyone', restWeeks: null, tickets: 1, restingTickets: 0 },
    entries: [{ studentId: 'a', rests: false, firstTicket: 1, tickets: 1 }],
    winners: ['a'],
  },
  'draw.remove': { id: 'draw' },
  'tickColumn.set': {
    columns: [
      {
        ...{ id: 'column', sectionId: 's', name: 'Slip returned', kind: 'fee', number: 1, dueOn: null },
        ...{ legend: 'The blue one', most: 12.5, unit: '€', choices: [], shown: true },
      },
    ],
  },
  'tick.set': { ticks: [{ columnId: 'column', studentId: 'a', value: '12.5', on: '2026-11-23' }] },
  'ticks.bring': {
    columns: [],
    ticks: [{ columnId: 'column', studentId: 'a', value: '10', owes: 10, exempt: false }],
  },
  'tickColumn.remove': { ids: ['column'] },
  'nod.remove': { ids: ['nod'], messageIds: ['told'] },
  'nodReason.retire': { id: 'reason', retired: true },
} satisfies {
  [
    K in
      | 'message.send'
      | 'nodReason.set'
      | 'nodTelling.set'
      | 'nod.give'
      | 'nod.set'
      | 'nod.remove'
      | 'nodReason.retire'
      | 'draw.make'
      | 'draw.remove'
      | 'tickColumn.set'
      | 'tick.set'
      | 'ticks.bring'
      | 'tickColumn.remove'
  ]: ChangeOf<K>['payload'];
};
