jest.mock('../src/sync/clock', () => ({ now: () => Date.parse('2026-11-25T10:00:00Z') }));

import { writtenDate } from '../src/forms/writtenDate';
import { readTime } from '@slate-path/core/calendar/readTime';
import { barShape } from '@slate-path/core/attendance/roll/barShape';
import { totalsWords } from '../src/features/attendance/month/totalsWords';
import { placeOf, readersPlaces } from '../src/shell/places';

test.each([
  ['2026-10-12', '2026-10-12'],
  ['12.10.2026', '2026-10-12'],
  ['12 October 2026', '2026-10-12'],
  ['Oct 12, 2026', '2026-10-12'],
  ['3/4/2026', '3/4/2026'],
  ['18 Dec', '2026-12-18'],
  ['Dec 18', '2026-12-18'],
  ['18th December', '2026-12-18'],
  ['18.12.', '2026-12-18'],
  ['Fri 18 Dec', '2026-12-18'],
  ['18/12', '2026-12-18'],
  ['12/18', '2026-12-18'],
  ['18/12/2026', '2026-12-18'],
  // The nearest one: of a winter's term the spring after it, of a look back the weeks before it.
  ['15 Jan', '2027-01-15'],
  ['2 Sept', '2026-09-02'],
  ['2 Sep', '2026-09-02'],
  ['today', '2026-11-25'],
  ['Tomorrow', '2026-11-26'],
  // Today is a Wednesday.
  ['Friday', '2026-11-27'],
  ['wed', '2026-12-02'],
  ['3/4', '3/4'],
  ['31.2.2026', '31.2.2026'],
  ['32 Dec', '32 Dec'],
  ['13/13', '13/13'],
  ['', ''],
  ['soon', 'soon'],
])('%s is read as %s; what could be two dates is not guessed', (written, date) => {
  expect(writtenDate(written, '2026-11-25')).toBe(date);
});

test.each([
  ['9:05', '09:05'],
  ['905', '09:05'],
  ['09.05', '09:05'],
  ['9.50', '09:50'],
  ['9h05', '09:05'],
  ['9', '09:00'],
  ['14h', '14:00'],
  ['9am', '09:00'],
  ['12 am', '00:00'],
  ['12pm', '12:00'],
  ['2.30 PM', '14:30'],
  ['1430', '14:30'],
  ['13pm', undefined],
  ['24:00', undefined],
  ['9:60', undefined],
  ['noonish', undefined],
  [' ', null],
])('the time %s is read as %s', (written, time) => {
  expect(readTime(written)).toBe(time);
});

const presence = {
  away: false,
  excused: false,
  late: false,
  leftEarly: false,
  setAside: false,
  minutesLate: 0,
  minutesEarly: 0,
  lessonMinutes: 50,
  minutesThere: 50,
  credit: 1,
  there: { from: 0, to: 1 },
};
test.each([
  ['not taken', null, { kind: 'nothing' }],
  ['here', presence, { kind: 'here' }],
  [
    'late',
    { ...presence, late: true, minutesThere: 40, there: { from: 0.2, to: 1 } },
    { kind: 'part', from: 0.2, to: 1 },
  ],
  ['away', { ...presence, away: true, there: null }, { kind: 'away', excused: false }],
  ['excused', { ...presence, away: true, excused: true, there: null }, { kind: 'away', excused: true }],
  ['set aside', { ...presence, setAside: true, there: null }, { kind: 'setAside' }],
] as const)('the bar of %s', (_what, found, shape) => {
  expect(barShape(found)).toEqual(shape);
});

test('totals say what was not taken, and count it nowhere', () => {
  const totals = {
    lessons: 5,
    taken: 4,
    notTaken: 1,
    here: 2,
    late: 1,
    leftEarly: 0,
    away: 1,
    excused: 1,
    setAside: 0,
    credit: 3,
    percent: 75,
    marked: 3,
    awayByLates: 0,
    minutesThere: 142,
    days: 4,
    minutesMissed: 58,
    minutesLate: 8,
  };
  expect(totalsWords(totals)).toBe(
    'there in 3 of 4 lessons taken (75 %), 1 excused, 1 late, 8 minutes, 1 not taken',
  );
  expect(totalsWords({ ...totals, taken: 0, percent: null })).toBe('1 lesson, none taken');
});

test.each([
  ['/', 'Lesson'],
  ['/lessons/x', 'Lesson'],
  ['/watch', 'Watch'],
  ['/classes/x/months/2026-11', 'People'],
  ['/students/x', 'People'],
  ['/given/x', 'People'],
  ['/desk', 'Desk'],
])('%s is in %s', (path, name) => {
  expect(placeOf(path)?.name).toBe(name);
});

test.each([
  ['/', 'Paths'],
  ['/students/x', 'Paths'],
  ['/desk/account', 'Desk'],
])('of a reader, %s is in %s', (path, name) => {
  expect(placeOf(path, readersPlaces)?.name).toBe(name);
});
