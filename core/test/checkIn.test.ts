import fc from 'fast-check';
import { markByArrival } from '../src/attendance/checkIn/arrival';
import { checkInEdits } from '../src/attendance/checkIn/edits';
import { placeOfCheckIn } from '../src/attendance/checkIn/place';
import { roundUp } from '../src/attendance/checkIn/roundUp';
import { shownNames } from '../src/attendance/checkIn/shownNames';
import { weatherWeeks } from '../src/attendance/checkIn/weatherWeeks';
import { checkInNow, plainSetting } from '../src/attendance/checkIn/window';
import { applyEdits } from '../src/changes/edit';
import { emptyRecords } from '../src/records/records';
import type { CheckIn, OtherCheckIn } from '../src/records/schema';
import { lesson, mark, standings, standingsById, student } from './records';

const at = (time: string) => ({ date: '2026-11-23', time });

describe('when the door is open (10:40 to 11:30; from 10 minutes before to 30 after)', () => {
  const early = lesson({ id: 'early', startsAt: '09:50', endsAt: '10:35', takenAt: null });
  const lessons = [early, lesson()];
  const setting = { ...plainSetting, closesMinutesAfter: 50 };
  test.each([
    ['09:39', 'opens 09:40'],
    ['09:40', 'early until 10:35'],
    ['10:29', 'early until 10:35'],
    ['10:30', 'm.2026-11-23 until 11:30'],
    ['11:29', 'm.2026-11-23 until 11:30'],
    ['11:30', 'closed'],
  ])('%s: %s', (time, expected) => {
    const found = checkInNow(lessons, setting, at(time));
    const words =
      found.state === 'open'
        ? `${found.lesson.id} until ${found.closesAt}`
        : found.next
          ? `opens ${found.next.opensAt}`
          : 'closed';
    expect(words).toBe(expected);
  });
  test('a lesson set aside has no door', () => {
    expect(checkInNow([lesson({ setAside: true })], setting, at('10:45')).state).toBe('closed');
  });
});

describe('what arriving makes of the mark (10:40, grace 5)', () => {
  test.each([
    ['in time, no mark', '10:45', null, null],
    ['after the grace', '10:46', null, 'L 10:46'],
    [
      'away by not having checked in, in time',
      '10:42',
      mark({ standingId: 'A', source: 'check_in' }),
      'here',
    ],
    ['the same, late', '10:50', mark({ standingId: 'A', source: 'check_in' }), 'L 10:50'],
    ['away by hand, in time', '10:42', mark({ standingId: 'A' }), null],
    ['away, excused, planned by hand', '10:50', mark({ standingId: 'X', source: 'range' }), null],
    ['put back to here by hand, late', '10:50', mark({}), null],
    ['only written about, late', '10:50', mark({ comment: 'has her book' }), 'L 10:50'],
    ['late by hand already', '10:55', mark({ standingId: 'L', arrivedAt: '10:48' }), null],
    [
      'late by an earlier check-in',
      '10:55',
      mark({ standingId: 'L', arrivedAt: '10:48', source: 'check_in' }),
      null,
    ],
    ['gone early', '11:00', mark({ standingId: 'E', leftAt: '10:50' }), null],
    ['the own lesson is set aside', '10:42', mark({ standingId: 'S' }), null],
  ])('%s', (_what, time, found, expected) => {
    const standing = found?.standingId ? standingsById[found.standingId] : undefined;
    const made = markByArrival(
      'a',
      lesson(),
      time,
      { graceMinutes: 5 },
      found ?? undefined,
      standing,
      standings,
    );
    const words =
      made && (made.standingId === null ? 'here' : `${made.standingId} ${made.arrivedAt ?? ''}`.trim());
    expect(words).toBe(expected);
  });
});

test('short names show no more of a family name than tells it apart', () => {
  const names = [
    ['Mei', 'Tanaka'],
    ['Mei', 'Thorsen'],
    ['Jun', ''],
    ['Ana', 'Silva'],
    ['Ana', 'Silva'],
    ['Bram', 'de Wit'],
    ['Caoimhe', 'Ó Briain'],
    ['Tove', 'van der Meer'],
    ['Tove', 'Maas'],
  ].map(([givenName, familyName], index) => student({ id: String(index), givenName, familyName }));
  expect(shownNames(names, true).map(({ name }) => name)).toEqual([
    'Ana S. (1)',
    'Ana S. (2)',
    'Bram W.',
    'Caoimhe Ó.',
    'Jun',
    'Mei Ta.',
    'Mei Th.',
    'Tove Ma.',
    'Tove Me.',
  ]);
  expect(shownNames(names, false).map(({ name }) => name)).toContain('Mei Thorsen');
});

test('no two students are ever shown by one name', () => {
  const name = fc.constantFrom('Mei', 'Ana', 'Al', 'A', 'Anna', '');
  fc.assert(
    fc.property(fc.array(fc.tuple(name, name), { maxLength: 12 }), (found) => {
      const students = found.map(([givenName, familyName], index) =>
        student({ id: String(index), givenName: givenName || 'X', familyName }),
      );
      const shown = shownNames(students, true).map((one) => one.name);
      expect(new Set(shown).size).toBe(students.length);
    }),
  );
});

const saying = (studentId: string, fields: Partial<CheckIn> = {}): CheckIn => ({
  id: `l/${studentId}`,
  lessonId: 'l',
  studentId,
  at: '2026-11-23T10:41:00.000Z',
  weather: 4,
  wantsWord: false,
  lunch: '',
  comment: '',
  device: 'x',
  sameDevice: false,
  removed: false,
  ...fields,
});

test('the round-up: who is missing in the order of the roll, who is low, who asks, and lunch', () => {
  const students = ['a', 'b', 'c', 'd'].map((id) => student({ id }));
  const found = roundUp(
    students,
    [
      saying('c', { weather: 2, lunch: 'soup' }),
      saying('a', { wantsWord: true, weather: null, lunch: 'fish' }),
      saying('d', { lunch: 'soup', sameDevice: true }),
      saying('stranger', { weather: 1 }),
    ],
    [],
  );
  expect({
    missing: found.missing.map(({ id }) => id),
    low: found.low.map(({ student: { id } }) => id),
    wantsWord: found.wantsWord.map(({ student: { id } }) => id),
    sameDevice: found.sameDevice.map(({ student: { id } }) => id),
    lunch: found.lunch,
    checkedIn: found.checkedIn,
  }).toEqual({
    missing: ['b'],
    low: ['c'],
    wantsWord: ['a'],
    sameDevice: ['d'],
    lunch: [
      { choice: 'soup', count: 2 },
      { choice: 'fish', count: 1 },
    ],
    checkedIn: 3,
  });
});

const beside = (studentId: string, fields: Partial<OtherCheckIn> = {}): OtherCheckIn => {
  const { sameDevice: _none, ...said } = saying(studentId);
  return { ...said, id: `other/${studentId}`, device: 'y', at: '2026-11-23T10:43:00.000Z', ...fields };
};

test('what another device says stands beside the first and hides nothing; what it alone says shows too', () => {
  const students = ['a', 'b'].map((id) => student({ id }));
  const found = roundUp(
    students,
    [saying('a', { weather: 1, wantsWord: true, comment: 'please', lunch: 'soup' }), saying('b')],
    [beside('a', { weather: 5, lunch: 'fish' }), beside('b', { weather: 2, wantsWord: true })],
  );
  const shown = (said: { student: { id: string }; checkIn: { weather: number | null } }[]) =>
    said.map(({ student: { id }, checkIn }) => `${id} ${checkIn.weather ?? ''}`);
  expect(shown(found.low)).toEqual(['a 1', 'b 2']);
  expect(shown(found.wantsWord)).toEqual(['a 1', 'b 2']);
  expect(found.twice.map(({ first, checkIn }) => [first.weather, checkIn.weather])).toEqual([
    [1, 5],
    [4, 2],
  ]);
  expect([found.checkedIn, found.lunch]).toEqual([2, [{ choice: 'soup', count: 1 }]]);
});

describe('where a second check-in belongs (the first came from phone x)', () => {
  const words = { weather: 1, wantsWord: true, lunch: '', comment: 'please' };
  const first = saying('a', { ...words, device: 'x' });
  const other = beside('a', { ...words, id: 'o', weather: 5, device: 'y' });
  test.each([
    ['nobody before', undefined, [], 'x', 4, 'first'],
    ['the same phone', first, [], 'x', 4, 'correction'],
    ['the same phone, the same words', first, [], 'x', 1, 'repeated'],
    ['another phone', first, [], 'y', 5, 'other new'],
    ['another phone, the same words', first, [], 'y', 1, 'other new'],
    ['the other phone once more', first, [other], 'y', 4, 'other o'],
    ['the tablet after a phone', first, [], 'shared', 4, 'other new'],
    ['the tablet after the tablet', saying('a', { device: 'shared' }), [], 'shared', 1, 'other new'],
    ['the ninth device', first, Array.from({ length: 8 }, () => other), 'z', 4, 'too_many'],
  ])('%s', (_what, before, others, device, weather, expected) => {
    const place = placeOfCheckIn({ ...words, weather, device }, before, others);
    expect(place.kind === 'other' ? `other ${place.otherId ?? 'new'}` : place.kind).toBe(expected);
  });
});

test('a second time from one device corrects the first: one record a lesson and student', () => {
  const { id: _id, lessonId: _lesson, removed: _removed, ...first } = saying('a');
  const { id, sectionId, date, startsAt, endsAt } = lesson();
  const edits = [first, { ...first, weather: 1, comment: 'Not so well' }].flatMap((checkIn) =>
    checkInEdits['checkIn.record']({
      lesson: { id, sectionId, date, startsAt, endsAt },
      checkIn,
      mark: null,
    }),
  );
  const records = applyEdits(emptyRecords(), edits);
  expect(Object.values(records.checkIn).map(({ weather, comment }) => [weather, comment])).toEqual([
    [1, 'Not so well'],
  ]);
  expect(records.lesson[id]?.takenAt).toBeNull();
});

test('who is low in the last lesson, and who is two signs below the own usual of three answers or more', () => {
  const dates = ['2026-11-16', '2026-11-18', '2026-11-20', '2026-11-23'];
  const lessons = dates.map((date) => lesson({ id: date, date }));
  const says = (studentId: string, signs: (number | null)[]) =>
    signs.map((weather, index) =>
      saying(studentId, { id: `${index}${studentId}`, lessonId: dates[index] ?? '', weather }),
    );
  const checkIns = [
    ...says('steady', [4, 5, 4, 4]),
    ...says('turned', [4, 5, 4, 2]),
    ...says('always low', [2, 1, 2, 2]),
    ...says('two answers', [null, 5, 5, 1]),
    ...says('silent today', [4, 4, 4, null]),
  ];
  const students = ['steady', 'turned', 'always low', 'two answers', 'silent today'].map((id) =>
    student({ id }),
  );
  const rows = weatherWeeks(students, lessons.slice(2), lessons.slice(0, 2), checkIns);
  expect(rows.map((row) => [row.student.id, row.usual, row.latest, row.low, row.lowerThanUsual])).toEqual([
    ['steady', 4, 4, false, false],
    ['turned', 4, 2, true, true],
    ['always low', 2, 2, true, false],
    ['two answers', null, 1, true, false],
    ['silent today', 4, null, false, false],
  ]);
  expect(rows[1]?.weather).toEqual([4, 2]);
});
