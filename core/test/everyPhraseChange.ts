import type { ChangeOf } from '../src/changes/schema';

const at = '2026-11-23T10:45:00.000Z';

/** Every kind of change of phrases, and of what is written to several with one, each with something to change. */
export const everyPhraseChange = {
  'phrase.add': { id: 'phrase', text: 'Ask {name}', shared: false, personId: 'p' },
  'phrase.set': { id: 'phrase', text: 'Ask {name} again', shared: true },
  'phrase.favour': { phraseId: 'phrase', personId: 'p', favourite: true },
  'phrase.use': { phraseId: 'phrase', personId: 'p', usedAt: at },
  'phrase.remove': { id: 'phrase' },
  'note.writeEach': {
    id: 'each',
    notes: [
      {
        ...{ id: 'each.a', text: 'Ask Dario', at, happenedAt: null, lesson: null, sectionId: 's' },
        ...{ place: '', own: false, doubts: [], topics: [], lookAgainOn: null },
        students: [{ studentId: 'a', spans: [] }],
      },
    ],
  },
} satisfies {
  [
    K in 'phrase.add' | 'phrase.set' | 'phrase.favour' | 'phrase.use' | 'phrase.remove' | 'note.writeEach'
  ]: ChangeOf<K>['payload'];
};
