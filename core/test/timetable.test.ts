import fc from 'fast-check';
import { meetsInWeekOf } from '../src/calendar/everyOther';
import { meetAtOnce } from '../src/calendar/meetAtOnce';
import { weeksWords } from '../src/calendar/weeksWords';
import { dayOffOn, lessonsBetween, offAt } from '../src/calendar/lessons';
import { addDays } from '../src/calendar/localTime';
import { periodName } from '../src/calendar/periodName';
import { meetingsToMove, periodLines, readPeriods } from '../src/calendar/periods';
import type { Lesson } from '../src/records/schema';
import { dayOff, lesson, meeting, term } from './records';

describe('every other week', () => {
  const calendar = (everyOtherFrom: string | null) => ({
    terms: [term()],
    daysOff: [],
    meetings: [meeting({ everyOtherFrom })],
    lessons: [],
  });
  const mondays = (from: string | null) =>
    lessonsBetween(calendar(from), '2026-11-01', '2026-11-30').map(({ date }) => date);

  test('a lesson is held in the weeks of its day, and two weeks from there, either way', () => {
    expect(mondays(null)).toEqual(['2026-11-02', '2026-11-09', '2026-11-16', '2026-11-23', '2026-11-30']);
    expect(mondays('2026-11-11')).toEqual(['2026-11-09', '2026-11-23']);
    expect(mondays('2026-11-22')).toEqual(['2026-11-02', '2026-11-16', '2026-11-30']);
    expect(mondays('2027-12-27')).toEqual(mondays('2026-11-16'));
  });
  test('of two weeks that follow each other it meets in just one, over the turn of a year too', () => {
    fc.assert(
      fc.property(fc.integer({ min: -900, max: 900 }), fc.integer({ min: -900, max: 900 }), (at, by) => {
        const everyOtherFrom = addDays('2026-12-30', at);
        const date = addDays('2026-12-30', by);
        const met = (day: string) => meetsInWeekOf({ everyOtherFrom }, day);
        expect(met(date)).not.toBe(met(addDays(date, 7)));
        expect(met(date)).toBe(met(addDays(date, 14)));
        expect(met(everyOtherFrom)).toBe(true);
      }),
    );
  });
  test.each([
    ['every week and every week', null, null, true],
    ['every week and every other', null, '2026-11-02', true],
    ['the same weeks', '2026-11-02', '2026-11-20', true],
    ['the one week and the other', '2026-11-02', '2026-11-09', false],
  ])('at once: %s', (_what, one, other, atOnce) => {
    const [a, b] = [meeting({ everyOtherFrom: one }), meeting({ everyOtherFrom: other })];
    expect([meetAtOnce(a, b), meetAtOnce(b, a)]).toEqual([atOnce, atOnce]);
    expect(meetAtOnce(a, { ...b, weekday: 2 })).toBe(false);
    expect(meetAtOnce(a, { ...b, startsAt: '11:30', endsAt: '12:20' })).toBe(false);
  });
  test('its weeks are said as they are seen from a day', () => {
    expect(weeksWords({ everyOtherFrom: null }, '2026-11-23')).toBe('');
    expect(weeksWords({ everyOtherFrom: '2026-11-09' }, '2026-11-23')).toBe('this week and every other');
    expect(weeksWords({ everyOtherFrom: '2026-11-16' }, '2026-11-29')).toBe('next week and every other');
  });
});

describe('a part of a day off', () => {
  const week = (off: { offFrom: string | null; offUntil: string | null }) =>
    lessonsBetween(
      {
        terms: [term()],
        daysOff: [dayOff({ startsOn: '2026-11-23', endsOn: '2026-11-24', ...off })],
        meetings: [
          meeting({ id: 'early', startsAt: '08:50', endsAt: '09:40' }),
          meeting({ id: 'noon', startsAt: '11:35', endsAt: '12:25' }),
          meeting({ id: 'late', weekday: 2, startsAt: '13:15', endsAt: '14:05' }),
          meeting({ id: 'after', weekday: 3, startsAt: '13:15', endsAt: '14:05' }),
        ],
        lessons: [],
      },
      '2026-11-23',
      '2026-11-29',
    ).map(({ id }) => id.split('.')[0]);

  test.each([
    [null, null, ['after']],
    ['12:00', null, ['early', 'noon', 'after']],
    [null, '10:00', ['noon', 'late', 'after']],
    ['11:35', '13:15', ['early', 'late', 'after']],
    ['08:50', null, ['after']],
  ])('from %s until %s', (offFrom, offUntil, held) => {
    expect(week({ offFrom, offUntil })).toEqual(held);
  });
  test('is no day off, and keeps what begins in it from being held', () => {
    const daysOff = [dayOff({ startsOn: '2026-11-23', offFrom: '12:00' })];
    expect(dayOffOn('2026-11-23', daysOff)).toBeUndefined();
    expect(offAt('2026-11-23', '11:59', daysOff)).toBeUndefined();
    expect(offAt('2026-11-23', '12:00', daysOff)).toBe(daysOff[0]);
    expect(offAt('2026-11-24', '12:00', daysOff)).toBeUndefined();
  });
});

describe('a roll taken without the timetable', () => {
  const week = (extra: Partial<Lesson>) =>
    lessonsBetween(
      {
        terms: [term()],
        daysOff: [],
        meetings: [meeting(), meeting({ id: 'other', sectionId: 'other' })],
        lessons: [lesson({ id: 'extra', startsAt: '10:45', endsAt: '11:35', ...extra })],
      },
      '2026-11-23',
      '2026-11-29',
    ).map(({ id }) => id);

  test.each([
    ['at the time of a planned lesson stands in its place', {}, ['other.2026-11-23', 'extra']],
    [
      'at another time stands beside it',
      { startsAt: '11:30', endsAt: '12:20' },
      ['m.2026-11-23', 'other.2026-11-23', 'extra'],
    ],
    ['that was removed leaves it', { removed: true }, ['m.2026-11-23', 'other.2026-11-23']],
    [
      'only begun, with nothing taken, stands beside it',
      { takenAt: null },
      ['m.2026-11-23', 'other.2026-11-23', 'extra'],
    ],
  ])('%s', (_what, extra, ids) => {
    expect(week(extra).sort()).toEqual([...ids].sort());
  });
});

describe('periods', () => {
  test.each([
    ['P1 8:30–9:20', 'P1', '08:30', '09:20'],
    ['1 8:30-9:20', '1', '08:30', '09:20'],
    ['Period 3: 10.40 to 11.30', 'Period 3', '10:40', '11:30'],
    ['Lunch club (12:30 - 13:10)', 'Lunch club', '12:30', '13:10'],
    ['P5\t13:15\t14:05', 'P5', '13:15', '14:05'],
    ['P6, 1pm – 1:50pm', 'P6', '13:00', '13:50'],
    ['P6 1–1:50 pm', 'P6', '13:00', '13:50'],
    ['P4 11:30–12:20pm', 'P4', '11:30', '12:20'],
    ['2. Stunde 8h45 bis 9h30', '2. Stunde', '08:45', '09:30'],
    ['Registration from 8:45 until 8:55', 'Registration', '08:45', '08:55'],
    ['Form 7 9 10', 'Form 7', '09:00', '10:00'],
  ])('%s', (line, name, startsAt, endsAt) => {
    expect(readPeriods(line)).toEqual({ periods: [{ name, startsAt, endsAt }], problems: [] });
  });
  test('a line that is none is told with its number, and the others are read', () => {
    const { periods, problems } = readPeriods(
      'P2 9:25–10:15\n\nP1 8:30–9:20\nlunch\n12:00–13:00\nP3 11:00–10:00\np2 1–2\nP4 25:00–26:00',
    );
    expect(periods.map(({ name }) => name)).toEqual(['P1', 'P2']);
    expect(problems.map(({ line }) => line)).toEqual([4, 5, 6, 7, 8]);
    expect(problems[3]?.reason).toBe('there is another “p2” above');
  });
  test('no more of them are read than a day may have', () => {
    const lines = Array.from({ length: 31 }, (_, at) => `P${at} 8:${10 + at}–9:${10 + at}`);
    const { periods, problems } = readPeriods(lines.join('\n'));
    expect(periods).toHaveLength(30);
    expect(problems).toEqual([{ line: 31, reason: 'a day has at most 30 periods' }]);
  });
  test('what is written can be read again', () => {
    const time = fc.integer({ min: 0, max: 23 * 60 + 58 });
    const word = fc.stringMatching(/^[A-Za-z][A-Za-z0-9 ]{0,10}[A-Za-z]$/);
    fc.assert(
      fc.property(word, time, fc.integer({ min: 1, max: 60 }), (name, from, length) => {
        const clock = (minutes: number) =>
          `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
        const period = { name, startsAt: clock(from), endsAt: clock(Math.min(from + length, 1439)) };
        fc.pre(!/\bfrom$/i.test(name));
        expect(readPeriods(periodLines([period])).periods).toEqual([period]);
      }),
    );
  });
  test('a lesson has the name of the period that is just so long', () => {
    const periods = [{ name: 'P3', startsAt: '10:40', endsAt: '11:30' }];
    expect(periodName(periods, meeting())).toBe('P3');
    expect(periodName(periods, meeting({ endsAt: '12:25' }))).toBe('');
    expect(periodName(undefined, meeting())).toBe('');
  });
  test('lessons at the times of a period move with it; others and those of one that is gone stay', () => {
    const at = (name: string, startsAt: string, endsAt: string) => ({ name, startsAt, endsAt });
    const before = [at('P1', '08:50', '09:40'), at('P3', '10:40', '11:30'), at('P4', '11:35', '12:25')];
    const after = [at('P1', '08:50', '09:40'), at('p3', '10:45', '11:35')];
    const meetings = [
      meeting({ id: 'moves' }),
      meeting({ id: 'same', startsAt: '08:50', endsAt: '09:40' }),
      meeting({ id: 'gone', startsAt: '11:35', endsAt: '12:25' }),
      meeting({ id: 'own times', endsAt: '11:31' }),
    ];
    expect(meetingsToMove(before, after, meetings)).toEqual([
      { meeting: meetings[0], startsAt: '10:45', endsAt: '11:35' },
    ]);
  });
});
