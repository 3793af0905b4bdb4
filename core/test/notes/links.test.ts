import fc from 'fast-check';
import { erasedNames, withoutName } from '../../src/keeping/erasure/eraseNames';
import { forget } from '../../src/keeping/erasure/forget';
import { initialsOf, textForReader } from '../../src/notes/forReader';
import { noCorrections, noteLinks, type Corrections } from '../../src/notes/links';
import { passageOf, piecesOf } from '../../src/notes/passage';
import { readNote } from '../../src/notes/readNote';
import { hitsIn, searchTerms } from '../../src/notes/searchTerms';
import { suggestTopics } from '../../src/notes/suggestTopics';
import { topicNames, topicNow, withMerged } from '../../src/notes/topics';
import { noteVersions } from '../../src/notes/versions';
import { studentsByTopic } from '../../src/notes/whoElse';
import type { Topic } from '../../src/records/schema';
import { student } from '../records';
import { context } from './cases';

const text = 'mei and Dario stuck on splicing, mei wants till thursday';
const reading = readNote(text, context);
const linked = (corrections: Partial<Corrections>) =>
  noteLinks(text, reading, { ...noCorrections, ...corrections });

test('a reading becomes ties: a name of two is one question at both its places', () => {
  expect(linked({})).toEqual({
    students: [{ studentId: 'dq', spans: [{ from: 8, to: 13 }] }],
    topics: [
      { topicId: 'stuck', spans: [{ from: 14, to: 19 }] },
      { topicId: 'spl', spans: [{ from: 23, to: 31 }] },
    ],
    doubts: [
      {
        written: 'mei',
        spans: [
          { from: 0, to: 3 },
          { from: 33, to: 36 },
        ],
        candidates: ['mt', 'mh'],
      },
    ],
    lookAgainOn: '2026-11-26',
  });
});

test.each<
  [string, Partial<Corrections>, students: string[], topics: string[], doubts: number, day: string | null]
>([
  ['an answer ties both places', { meant: { mei: 'mt' } }, ['mt', 'dq'], ['stuck', 'spl'], 0, '2026-11-26'],
  ['nobody of them', { meant: { mei: null } }, ['dq'], ['stuck', 'spl'], 0, '2026-11-26'],
  ['somebody else', { meant: { dario: 'ju' } }, ['ju'], ['stuck', 'spl'], 1, '2026-11-26'],
  [
    'not meant',
    { notStudents: new Set(['dq']), notTopics: new Set(['spl']) },
    [],
    ['stuck'],
    1,
    '2026-11-26',
  ],
  [
    'added',
    { moreStudents: new Set(['ic', 'dq']), moreTopics: new Set(['hw']) },
    ['dq', 'ic'],
    ['stuck', 'spl', 'hw'],
    1,
    '2026-11-26',
  ],
  ['no day', { lookAgainOn: null }, ['dq'], ['stuck', 'spl'], 1, null],
  ['another day', { lookAgainOn: '2026-12-01' }, ['dq'], ['stuck', 'spl'], 1, '2026-12-01'],
])('corrections: %s', (_name, corrections, students, topics, doubts, day) => {
  const links = linked(corrections);
  expect(links.students.map(({ studentId }) => studentId)).toEqual(students);
  expect(links.topics.map(({ topicId }) => topicId)).toEqual(topics);
  expect(links.doubts).toHaveLength(doubts);
  expect(links.lookAgainOn).toBe(day);
});

test.each([
  ['splice', 'Dario spliced it', ['spliced']],
  ['"task off"', 'was off task', null],
  ['off-task', 'was off task', ['off task']],
  ['stuck spl', 'stuck on splicing', ['stuck', 'splicing']],
  ['café', 'the cafe', ['cafe']],
  ['s', 'stuck', null],
])('searching for %s in "%s"', (typed, note, wanted) => {
  const hits = hitsIn(note, searchTerms(typed));
  expect(hits?.map(({ from, to }) => note.slice(from, to)) ?? null).toEqual(wanted);
});

test('pieces of a text put together are the text; a passage shows its hit and is not much longer than asked', () => {
  const spans = fc.array(
    fc.tuple(fc.nat(400), fc.nat(30)).map(([from, long]) => ({ from, to: from + long + 1 })),
    { maxLength: 5 },
  );
  fc.assert(
    fc.property(fc.lorem({ mode: 'sentences', maxCount: 8 }), spans, (long, found) => {
      expect(
        piecesOf(long, found)
          .map((piece) => piece.text)
          .join(''),
      ).toBe(long);
      const passage = passageOf(long, found, 80)
        .map((piece) => piece.text)
        .join('');
      expect(passage.length).toBeLessThanOrEqual(Math.max(long.length <= 80 ? 80 : 82, 0));
    }),
  );
});

const topic = (id: string, more: Partial<Topic> = {}): Topic => ({
  id,
  name: id,
  trouble: true,
  alsoCalled: [],
  mergedIntoId: null,
  removed: false,
  ...more,
});

test('merged topics count as the one they went into, also over two steps, and a ring of merges ends', () => {
  const topics = {
    a: topic('a', { mergedIntoId: 'b' }),
    b: topic('b', { mergedIntoId: 'c' }),
    c: topic('c', { alsoCalled: ['see'] }),
  };
  expect(topicNow(topics, 'a')?.id).toBe('c');
  expect(withMerged(topics, 'c').sort()).toEqual(['a', 'b', 'c']);
  expect(topicNames(topics)).toEqual([{ id: 'c', names: ['c', 'see'] }]);
  const ring = { a: topic('a', { mergedIntoId: 'b' }), b: topic('b', { mergedIntoId: 'a' }) };
  expect(topicNow(ring, 'a')).toBeDefined();
});

test('who else: by distinct notes since a moment, removed ties and notes left out', () => {
  const note = (id: string, at: string, removed = false) => ({
    id,
    at,
    removed,
    text: '',
    happenedAt: null,
    lessonId: null,
    sectionId: null,
    place: '',
    own: false,
    doubts: [],
  });
  const tie = (noteId: string, studentId: string, removed = false) => ({
    id: noteId + studentId,
    noteId,
    studentId,
    spans: [],
    removed,
  });
  const byId = <T extends { id: string }>(list: T[]) => Object.fromEntries(list.map((one) => [one.id, one]));
  const touched = studentsByTopic(
    {
      note: byId([
        note('1', '2026-11-20'),
        note('2', '2026-11-21'),
        note('3', '2026-09-01'),
        note('4', '2026-11-22', true),
      ]),
      noteStudent: byId([
        tie('1', 'a'),
        tie('1', 'b'),
        tie('2', 'a'),
        tie('3', 'c'),
        tie('4', 'd'),
        tie('2', 'e', true),
      ]),
      noteTopic: byId(
        ['1', '2', '3', '4'].map((noteId) => ({
          id: noteId,
          noteId,
          topicId: 'x',
          spans: [],
          removed: false,
        })),
      ),
      topic: { x: topic('x') },
    },
    '2026-11-01',
  );
  expect(touched.get('x')).toEqual([
    { studentId: 'a', notes: 2 },
    { studentId: 'b', notes: 1 },
  ]);
});

test('words that come up often and are no topic, no name and not passed over are offered, forms together', () => {
  const notes = [
    'lost his gloves',
    'a glove again',
    'no gloves',
    'Gloves on!',
    'Quispe splicing',
    'splicing',
    'spliced',
    'splices',
  ].map((said, at) => ({ text: said, studentIds: [`s${at}`] }));
  expect(suggestTopics({ notes, known: ['splicing'] })).toEqual([{ word: 'gloves', notes: 4, students: 4 }]);
  expect(suggestTopics({ notes, known: ['splicing', 'glove'] })).toEqual([]);
});

test('a reader sees one child’s name and the others’ initials, an unsettled name not at all', () => {
  const dario = student({ id: 'd' });
  const mei = student({ id: 'm', givenName: 'Mei', familyName: 'Tanaka' });
  expect(initialsOf(mei)).toBe('M. T.');
  const said = 'Mei and Dario, with Jun';
  const mentions = [
    { student: mei, spans: [{ from: 0, to: 3 }] },
    { student: dario, spans: [{ from: 8, to: 13 }] },
  ];
  expect(textForReader({ text: said, mentions, doubts: [{ from: 20, to: 23 }] }, 'd')).toBe(
    'M. T. and Dario, with …',
  );
});

test('both texts of a conflict are in the history', () => {
  const line = (id: string, madeAt: string, written: string, overruled: string[]) => ({
    id,
    kind: 'note.edit',
    device: id,
    madeAt,
    payload: { text: written },
    edits: [{ table: 'note', after: {}, overruled }],
  });
  expect(
    noteVersions('n', [
      line('a', '2026-11-20T10:00:02Z', 'later', []),
      line('b', '2026-11-20T10:00:01Z', 'earlier', ['text']),
    ]).map((version) => [version.text, version.overruled]),
  ).toEqual([
    ['later', false],
    ['earlier', true],
  ]);
});

describe('erasing', () => {
  const names = erasedNames(
    student({ givenName: 'Mei', familyName: 'Quispe', called: '' }),
    [student({ givenName: 'Mei', familyName: 'Tanaka' })],
    ['mei.q@x.example', 'T10'],
  );
  test.each([
    ['Quispe was late', '██████ was late'],
    ["saw QUISPE's bag", 'saw ████████ bag'],
    ['Mei Quispe and Mei Tanaka', '███ ██████ and Mei Tanaka'],
    ['only Mei', 'only Mei'],
    ['write to MEI.Q@x.example or T10, not T101', 'write to ███████████████ or ███, not T101'],
  ])('%s', (said, left) => {
    expect(withoutName(said, names)).toBe(left);
  });

  test('what was written down without the student: own parts gone, a note’s places blanked, nothing else touched', () => {
    const erased = { studentId: 'x', recordIds: new Set(['g1']), rename: (said: string) => said };
    expect(
      forget(
        {
          lesson: { id: 'l' },
          marks: [{ studentId: 'x' }, { studentId: 'y' }],
          text: 'Mei here',
          students: [{ studentId: 'x', spans: [{ from: 0, to: 3 }] }],
          guardianIds: ['g1', 'g2'],
        },
        erased,
      ),
    ).toEqual({
      lesson: { id: 'l' },
      marks: [{ studentId: 'y' }],
      text: '███ here',
      students: [],
      guardianIds: ['g2'],
    });
    expect(forget({ id: 'lesson/x', level: 2 }, erased)).toBeNull();
  });
});
