import type { ChangeOf } from '../src/changes/schema';

const piece = {
  ...{ id: 'w', sectionId: 's', title: 'Log of the watch' },
  ...{ assignedAt: null, dueAt: '2026-11-20T08:30:00', points: 20, studentId: null },
};

/** Every kind of change of pieces of work, and of who is who in a file about them, each with something to change. */
export const everyWorkChange = {
  'piece.set': piece,
  'handIn.set': {
    ...{ sectionId: 's', workId: 'w' },
    handIns: [
      {
        studentId: 'a',
        status: 'handed_in',
        handedInAt: '2026-11-20T08:00:00',
        handedBackAt: null,
        score: 15,
      },
    ],
  },
  'work.bring': {
    sectionId: 's',
    source: { name: 'grades.csv', digest: 'abc' },
    pieces: [{ ...piece, points: 25 }],
    handIns: [
      { workId: 'w', studentId: 'a', status: null, handedInAt: null, handedBackAt: null, score: null },
    ],
  },
  'piece.remove': { id: 'w', sectionId: 's' },
  'piece.own': {
    piece: { ...piece, id: 'own', studentId: 'a', title: 'Chart of the bay', dueAt: null },
    handIn: {
      ...{ status: 'handed_in', handedInAt: '2026-11-20T12:00:00', handedBackAt: null },
      ...{ score: null, minutes: 40 },
    },
    lessons: [],
  },
  'piece.ownRemove': { id: 'own', studentId: 'a', lessons: [] },
  'participants.answer': {
    sectionId: 's',
    answers: [{ id: 'answer', sectionId: 's', entry: 'D. Quispe', studentId: null }],
  },
} satisfies {
  [
    K in
      | 'piece.set'
      | 'handIn.set'
      | 'work.bring'
      | 'piece.remove'
      | 'piece.own'
      | 'piece.ownRemove'
      | 'participants.answer'
  ]: ChangeOf<K>['payload'];
};
