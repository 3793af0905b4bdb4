import fc from 'fast-check';
import { displayName } from '../../src/people/names';
import { findTimes, happenedAt } from '../../src/notes/findTimes';
import { readNote } from '../../src/notes/readNote';
import { stem } from '../../src/notes/stems';
import { cases, context, elsewhere, inHand, readCase, score, studentsOf, type NoteCase } from './cases';

const halves: [name: string, cases: NoteCase[]][] = [
  ['looked at while tuning', cases.filter((_, index) => index % 2 === 0)],
  ['held out', cases.filter((_, index) => index % 2 === 1)],
];

describe.each(halves)('sentences %s', (_name, half) => {
  const read = half.map((one) => ({ one, reading: readCase(one) }));

  test('are enough', () => {
    expect(half.length).toBeGreaterThanOrEqual(150);
  });

  test('students, topics and dates are read', () => {
    const students = score(
      read.map(({ one, reading }) => ({ wanted: one.students, read: studentsOf(reading) })),
    );
    const topics = score(
      read.map(({ one, reading }) => ({ wanted: one.topics, read: reading.topics.map((t) => t.topicId) })),
    );
    const dates = score(
      read.map(({ one, reading }) => ({
        wanted: one.date ? [one.date] : [],
        read: reading.lookAgainOn ? [reading.lookAgainOn] : [],
      })),
    );
    expect(students.precision).toBeGreaterThanOrEqual(0.97);
    expect(students.recall).toBeGreaterThanOrEqual(0.96);
    expect(topics.precision).toBeGreaterThanOrEqual(0.95);
    expect(topics.recall).toBeGreaterThanOrEqual(0.92);
    expect(dates.precision).toBeGreaterThanOrEqual(0.97);
    expect(dates.recall).toBeGreaterThanOrEqual(0.95);
  });

  test('of equals none is taken for sure', () => {
    for (const { one, reading } of read) {
      const asked = one.students.filter((id) => id.startsWith('?')).flatMap((id) => id.slice(1).split('/'));
      const sure = reading.students.flatMap(({ studentIds }) => studentIds);
      const wrong = sure.filter((id) => asked.includes(id) && !one.students.includes(id));
      expect([one.text, wrong]).toEqual([one.text, []]);
    }
  });
});

const ids = (text: string) => studentsOf(readNote(text, context));

test('every student is found by every way to write the name, with the place of it', () => {
  for (const student of inHand) {
    const written = displayName(student);
    const text = `saw ${written} at the pier`;
    const [mention] = readNote(text, context).students;
    expect([written, mention?.studentIds]).toEqual([written, [student.id]]);
    expect(text.slice(mention?.from, mention?.to)).toBe(written);
    if (!student.familyName || !student.givenName) continue;
    // "Jordan, Casey" may be two: another student is called Jordan.
    const swapped = ids(`${student.familyName}, ${student.givenName}: late`);
    if (student.familyName !== 'Jordan') expect(swapped).toEqual([student.id]);
    expect(ids(`saw ${student.givenName} ${student.familyName}'s bag`)).toEqual([student.id]);
  }
});

test('a name that is also a word, in small letters and alone, is nobody', () => {
  const words = ['will', 'grace', 'mark', 'may', 'hope', 'rose'];
  const frames = [
    (w: string) => `the ${w} was fine`,
    (w: string) => `we need a ${w}`,
    (w: string) => `no ${w} today`,
  ];
  for (const word of words)
    for (const frame of frames) expect([frame(word), ids(frame(word))]).toEqual([frame(word), []]);
});

test.each([
  // a date that can't be, or is over, is left as text and said so
  ['trip on 30 February', 'impossible'],
  ['by the 32nd', 'impossible'],
  ['by 31/11', 'impossible'],
  ['due 14 March 2025', 'past'],
  ['was away last Friday', 'past'],
  ['spoke to dario on Monday', 'past'],
  ['talked to Jun and Pell on Tuesday', 'past'],
  ['was told to hand it in on Friday', 'ahead'],
  ['ask next lesson', 'ahead'],
])('%s: %s', (text, kind) => {
  const { dates, lookAgainOn } = readNote(text, context);
  expect(dates.map((date) => date.kind)).toEqual([kind]);
  expect(lookAgainOn === null).toBe(kind !== 'ahead');
});

test.each([
  ['phone out at 9:05', [['09:05', 'at']]],
  ['asleep since ten', [['10:00', 'since']]],
  ['meet at half past two', [['14:30', 'at']]],
  ['back at quarter to eleven', [['10:45', 'at']]],
  ['stopped at ten minutes', []],
  ['about 5 of them', []],
  [
    'at 3 pm and since 08.50',
    [
      ['15:00', 'at'],
      ['08:50', 'since'],
    ],
  ],
])('times: %s', (text, wanted) => {
  expect(findTimes(text).map(({ time, kind }) => [time, kind])).toEqual(wanted);
});

test('what a note tells happened at its time, unless that is to come', () => {
  expect(happenedAt(findTimes('phone out at 9:05'), '10:05')).toBe('09:05');
  expect(happenedAt(findTimes('meet at 3 pm'), '10:05')).toBeNull();
});

test.each([
  ['splice', 'splicing', 'spliced'],
  ['forget', 'forgot', 'forgotten'],
  ['behaviour', 'behavior', 'behaviours'],
  ['organise', 'organizing', 'organised'],
  ['late', 'lateness'],
])('forms of %s', (...forms) => {
  expect(new Set(forms.map(stem)).size).toBe(1);
});

test('whatever is typed is read without a fault, the places lie in the text, and all read is known', () => {
  const known = new Set([...inHand, ...elsewhere].map(({ id }) => id));
  const piece = fc.oneof(
    fc.constantFrom(...cases.map(({ text }) => text)),
    fc.string({ unit: 'grapheme', maxLength: 40 }),
    fc.constantFrom('😀', 'مرحبا', '\u0000', '\u202e', '\n', '30 February', "'s", '...', '9:99', '99/99'),
  );
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 6 }), (pieces) => {
      const text = pieces.join(' ');
      const { students, topics, dates, times } = readNote(text, context);
      for (const { from, to } of [...students, ...topics, ...dates, ...times]) {
        expect(from).toBeGreaterThanOrEqual(0);
        expect(to).toBeGreaterThan(from);
        expect(to).toBeLessThanOrEqual(text.length);
      }
      for (const { studentIds, candidates } of students) {
        expect(studentIds.length > 0).not.toBe(candidates.length > 0);
        expect([...studentIds, ...candidates].every((id) => known.has(id))).toBe(true);
      }
    }),
    { numRuns: 300 },
  );
});

test('a note of 20,000 characters is read too', () => {
  const text = 'Dario stuck on splicing. '.repeat(800);
  expect(readNote(text, context).students).toHaveLength(800);
});
