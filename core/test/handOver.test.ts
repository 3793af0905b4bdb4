import { intoSchool } from '../src/keeping/archive/intoSchool';
import { ofClass } from '../src/keeping/archive/ofClass';
import { visualOrder } from '../src/formats/visualOrder';
import type { RecordLists } from '../src/records/records';
import type { Standing } from '../src/records/schema';

test.each([
  ['plain text', 'Ada and Bram', ['Ada and Bram']],
  ['words from right to left', 'שלום דוד', ['דוד', ' ', 'שלום']],
  ['a name among others', 'see שלום דוד, then', ['see', ' ', 'דוד', ' ', 'שלום', ',', ' ', 'then']],
  ['figures in a sentence', 'يوم 12 كل', ['كل', ' ', '12', ' ', 'يوم']],
  ['brackets', '(דוד)', [')דוד(']],
  ['nothing', '', []],
])('%s: pieces stand in the order in which they are seen', (_what, text, expected) => {
  expect(visualOrder(text)).toEqual(expected);
});

const standing = (id: string, code: string, countsAs: Standing['countsAs'], excused = false): Standing => ({
  ...{ id, code, name: id, countsAs, excused, credit: 1, position: 1, removed: false, mergedIntoId: null },
});
const record = { removed: false };
const brought = {
  section: [{ ...record, id: 's', taughtWithId: 'other' }],
  enrolment: [{ ...record, id: 'e', sectionId: 's', studentId: 'ann' }],
  student: [
    { ...record, id: 'ann' },
    { ...record, id: 'kit' },
  ],
  guardian: [
    { ...record, id: 'g', studentId: 'ann' },
    { ...record, id: 'gk', studentId: 'kit' },
  ],
  lesson: [
    { ...record, id: 'l', sectionId: 's' },
    { ...record, id: 'lk', sectionId: 'k' },
  ],
  mark: [{ ...record, id: 'm', lessonId: 'l', studentId: 'ann', standingId: 'theirs' }],
  tally: [{ ...record, id: 't', lessonId: 'l', studentId: 'ann', lookForId: 'lf', circleId: null }],
  lookFor: [
    { ...record, id: 'lf', sectionId: null },
    { ...record, id: 'unused', sectionId: null },
  ],
  note: [
    { ...record, id: 'n', own: false, lessonId: 'l', sectionId: 's' },
    { ...record, id: 'mine', own: true, lessonId: 'l', sectionId: 's' },
  ],
  noteStudent: [
    { ...record, id: 'na', noteId: 'n', studentId: 'ann' },
    { ...record, id: 'nk', noteId: 'n', studentId: 'kit' },
    { ...record, id: 'nm', noteId: 'mine', studentId: 'ann' },
  ],
  message: [{ ...record, id: 'letter', studentId: 'ann' }],
  draw: [
    { ...record, id: 'd', sectionId: 's', entries: [], winners: [] },
    { ...record, id: 'ofSchool', sectionId: null, entries: [], winners: [] },
  ],
  standing: [standing('theirs', 'A', 'away')],
  term: [
    { ...record, id: 'term', startsOn: '2026-11-02', endsOn: '2026-12-04' },
    { ...record, id: 'spring', startsOn: '2026-02-02', endsOn: '2026-06-30' },
  ],
  dayOff: [
    { ...record, id: 'autumnBreak', startsOn: '2026-11-09', endsOn: '2026-11-13' },
    { ...record, id: 'easter', startsOn: '2026-04-03', endsOn: '2026-04-12' },
  ],
} as unknown as RecordLists;

test('a class is taken out with its students, their guardians, its records and their words, and nothing of one’s own', () => {
  const handed = ofClass(brought, 's') as Record<string, { id: string; taughtWithId?: unknown }[]>;
  const ids = Object.fromEntries(
    Object.entries(handed).map(([table, rows]) => [table, rows.map(({ id }) => id)]),
  );
  expect(ids).toMatchObject({
    ...{ section: ['s'], student: ['ann'], guardian: ['g'], lesson: ['l'], mark: ['m'], tally: ['t'] },
    ...{
      lookFor: ['lf'],
      note: ['n'],
      noteStudent: ['na'],
      message: [],
      draw: ['d'],
      term: ['term', 'spring'],
      standing: ['theirs'],
    },
  });
  expect(handed['section']![0]!.taughtWithId).toBeNull();
});

test.each([
  ['the same kind by its letter', [standing('ours', 'A', 'away')], false, 'ours', []],
  ['one of the same meaning, where nothing may be added', [standing('ours', 'F', 'away')], false, 'ours', []],
  ['their own, where the keeper brings it in', [standing('ours', 'F', 'away')], true, 'theirs', ['theirs']],
  ['none, where the school has nothing like it', [standing('ours', 'H', 'here')], false, null, []],
] as const)('marks become %s', (_what, standings, isKeeper, expected, added) => {
  const terms = [{ ...record, id: 'ours', name: 'Autumn', startsOn: '2026-09-01', endsOn: '2026-12-18' }];
  const fitted = intoSchool(brought, { terms, standings, isKeeper });
  expect(fitted.mark?.[0]?.standingId).toBe(expected);
  expect(fitted.standing?.map(({ id }) => id)).toEqual(added);
  // Only the keeper adds terms, and none beside one that is there.
  const ids = (rows: readonly { id: string }[] | undefined) => rows?.map(({ id }) => id);
  expect(ids(fitted.draw)).toEqual(isKeeper ? ['d', 'ofSchool'] : ['d']);
  expect([ids(fitted.term), ids(fitted.dayOff)]).toEqual(isKeeper ? [['spring'], ['easter']] : [[], []]);
});
