import {
  addDays as addDaysTo,
  differenceInCalendarDays,
  eachDayOfInterval,
  format as formatDate,
  getISODay,
} from 'date-fns';
import fc from 'fast-check';
import { readDaysOff, CalendarError } from '../src/calendar/icalendar';
import { lessonNow } from '../src/calendar/lessonNow';
import { lessonsBetween } from '../src/calendar/lessons';
import {
  addDays,
  datesBetween,
  daysBetween,
  minutesOf,
  monthSpan,
  nextMonth,
  timeOf,
  weekdayOf,
} from '../src/calendar/localTime';
import { instantOf, localMoment } from '../src/calendar/zone';
import { lesson, meeting, term } from './records';

test.each([
  ['2026-02', '2026-02-01', '2026-02-28'],
  ['2028-02', '2028-02-01', '2028-02-29'],
  ['2026-12', '2026-12-01', '2026-12-31'],
])('the month %s is from %s to %s', (month, from, to) => {
  expect(monthSpan(month)).toEqual({ from, to });
});

test('months, weekdays and minutes', () => {
  expect([nextMonth('2026-12', 1), nextMonth('2026-01', -1), nextMonth('2026-11', -14)]).toEqual([
    '2027-01',
    '2025-12',
    '2025-09',
  ]);
  expect([weekdayOf('2026-11-23'), weekdayOf('2026-11-29')]).toEqual([1, 7]);
  expect([minutesOf('00:00'), minutesOf('23:59'), timeOf(605), timeOf(-3), timeOf(9999)]).toEqual([
    0,
    1439,
    '10:05',
    '00:00',
    '23:59',
  ]);
  expect(datesBetween('2026-03-28', '2026-03-30')).toEqual(['2026-03-28', '2026-03-29', '2026-03-30']);
  expect(datesBetween('2026-03-30', '2026-03-28')).toEqual([]);
});

test('dates are those of a library that counts them otherwise, over leap years and clock changes', () => {
  const anyDate = fc.date({ min: new Date(1950, 0, 1), max: new Date(2099, 11, 31), noInvalidDate: true });
  fc.assert(
    fc.property(anyDate, fc.integer({ min: -400, max: 400 }), (day, days) => {
      const [date, other] = [formatDate(day, 'yyyy-MM-dd'), addDaysTo(day, days)];
      const to = formatDate(other, 'yyyy-MM-dd');
      expect(addDays(date, days)).toBe(to);
      expect(daysBetween(date, to)).toBe(differenceInCalendarDays(other, day));
      expect(weekdayOf(date)).toBe(getISODay(day));
      const between = days < 0 ? [] : eachDayOfInterval({ start: day, end: other });
      expect(datesBetween(date, to)).toEqual(between.map((one) => formatDate(one, 'yyyy-MM-dd')));
    }),
  );
  expect(() => addDays('soon', 1)).toThrow(RangeError);
});

test('going some days on and back again ends where it began', () => {
  const date = fc.integer({ min: 0, max: 20_000 }).map((days) => addDays('2000-01-01', days));
  fc.assert(
    fc.property(date, fc.integer({ min: -4000, max: 4000 }), (from, days) => {
      const to = addDays(from, days);
      return daysBetween(from, to) === days && addDays(to, -days) === from;
    }),
  );
});

test.each([
  // UTC instant, zone, what the clock on the wall shows
  ['2026-07-01T12:00:00Z', 'Europe/Dublin', '2026-07-01', '13:00'],
  ['2026-11-23T11:13:00Z', 'Europe/Dublin', '2026-11-23', '11:13'],
  ['2026-11-23T02:30:00Z', 'America/Los_Angeles', '2026-11-22', '18:30'],
  ['2026-11-23T20:30:00Z', 'Asia/Kathmandu', '2026-11-24', '02:15'],
])('%s in %s is %s %s', (instant, zone, date, time) => {
  expect(localMoment(Date.parse(instant), zone)).toEqual({ date, time });
  expect(new Date(instantOf({ date, time }, zone)).toISOString()).toBe(new Date(instant).toISOString());
});

describe('the lessons of a week', () => {
  const calendar = {
    terms: [term()],
    daysOff: [
      {
        id: 'o',
        name: 'Harbour day',
        startsOn: '2026-11-25',
        endsOn: '2026-11-25',
        offFrom: null as string | null,
        offUntil: null as string | null,
        removed: false,
      },
    ],
    meetings: [
      meeting(),
      meeting({ id: 'w', weekday: 3 }),
      meeting({ id: 'f', weekday: 5, validUntil: '2026-11-26' }),
    ],
    lessons: [] as ReturnType<typeof lesson>[],
  };
  const week = (over: Partial<typeof calendar> & { lessons?: ReturnType<typeof lesson>[] } = {}) =>
    lessonsBetween({ ...calendar, ...over }, '2026-11-23', '2026-11-29').map(({ id }) => id);

  test('come from the timetable, without days off and ended meetings', () => {
    expect(week()).toEqual(['m.2026-11-23']);
    expect(week({ daysOff: [] })).toEqual(['m.2026-11-23', 'w.2026-11-25']);
  });
  test('are none outside the term', () => {
    expect(lessonsBetween(calendar, '2026-12-05', '2026-12-31')).toEqual([]);
  });
  test('stay where the roll was taken, though the timetable or the days off changed since', () => {
    const taken = lesson({ id: 'f.2026-11-27', date: '2026-11-27' });
    const onDayOff = lesson({ id: 'w.2026-11-25', date: '2026-11-25', takenAt: null, setAside: true });
    expect(week({ lessons: [taken, onDayOff] })).toEqual(['m.2026-11-23', 'w.2026-11-25', 'f.2026-11-27']);
    expect(week({ lessons: [{ ...taken, takenAt: null }] })).toEqual(['m.2026-11-23']);
    expect(week({ lessons: [lesson({ removed: true })] })).toEqual([]);
  });
});

describe('the lesson in hand', () => {
  const first = lesson({ id: 'a', startsAt: '09:45', endsAt: '10:35' });
  const second = lesson({ id: 'b', startsAt: '10:40', endsAt: '11:30' });
  const tomorrow = lesson({ id: 'c', date: '2026-11-24' });
  test.each([
    // date, time -> lesson, relation
    ['2026-11-23', '08:00', 'a', 'next'],
    ['2026-11-23', '09:36', 'a', 'now'],
    ['2026-11-23', '10:32', 'a', 'now'],
    ['2026-11-23', '10:36', 'b', 'now'],
    ['2026-11-23', '11:29', 'b', 'now'],
    ['2026-11-23', '11:30', 'b', 'last'],
    ['2026-11-22', '12:00', 'a', 'next'],
    ['2026-11-28', '12:00', 'c', 'last'],
  ])('on %s at %s it is %s (%s)', (date, time, id, relation) => {
    const found = lessonNow([first, second, tomorrow], { date, time });
    expect([found?.lesson.id, found?.relation]).toEqual([id, relation]);
  });
  test('is none where there are no lessons', () => {
    expect(lessonNow([], { date: '2026-11-23', time: '10:00' })).toBeNull();
  });
});

describe('days off from iCalendar', () => {
  const calendar = (...lines: string[]) =>
    ['BEGIN:VCALENDAR', 'VERSION:2.0', 'BEGIN:VEVENT', ...lines, 'END:VEVENT', 'END:VCALENDAR'].join('\r\n');
  test.each([
    ['one day without an end', ['DTSTART;VALUE=DATE:20261012'], ['2026-10-12', '2026-10-12']],
    [
      'a week; DTEND is the day after',
      ['DTSTART;VALUE=DATE:20261012', 'DTEND;VALUE=DATE:20261017'],
      ['2026-10-12', '2026-10-16'],
    ],
    ['a duration', ['DTSTART;VALUE=DATE:20261012', 'DURATION:P2D'], ['2026-10-12', '2026-10-13']],
  ])('%s', (_what, lines, span) => {
    const { days } = readDaysOff(calendar('SUMMARY:Spring tide', ...lines));
    expect(days).toEqual([{ name: 'Spring tide', startsOn: span[0], endsOn: span[1] }]);
  });
  test('repeats are followed, entries with a time left out and named', () => {
    const repeated = readDaysOff(
      calendar('SUMMARY:Inset', 'DTSTART;VALUE=DATE:20261005', 'RRULE:FREQ=MONTHLY;COUNT=3'),
    );
    expect(repeated.days.map(({ startsOn }) => startsOn)).toEqual(['2026-10-05', '2026-11-05', '2026-12-05']);
    const timed = readDaysOff(calendar('SUMMARY:Staff meeting', 'DTSTART:20261005T150000Z'));
    expect(timed).toEqual({
      days: [],
      leftOut: [{ name: 'Staff meeting', reason: expect.stringContaining('time of day') }],
    });
  });
  test.each([
    ['never a day', 'RRULE:FREQ=YEARLY;BYMONTH=4;BYDAY=1MO;BYMONTHDAY=15,16,17,18', 'no day'],
    ['never a day of all', 'RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=31', 'no day'],
    ['by the second', 'RRULE:FREQ=SECONDLY', 'within a day'],
    ['by the hour', 'RRULE:FREQ=HOURLY;BYMONTH=1', 'within a day'],
    ['a thousand years', 'DTEND;VALUE=DATE:30261005', 'longer than a year'],
    ['no rule at all', 'RRULE:FREQ=SOMETIMES', 'cannot be read'],
  ])('%s is left out with its reason, at once', (_what, line, reason) => {
    const { days, leftOut } = readDaysOff(calendar('SUMMARY:Tide', 'DTSTART;VALUE=DATE:20261005', line));
    expect([days.length, ...leftOut.map((one) => one.reason)]).toEqual([0, expect.stringContaining(reason)]);
  });
  test('days that are excepted are no days off, added ones are; a daily entry stops', () => {
    const lines = ['SUMMARY:Inset', 'DTSTART;VALUE=DATE:20261005', 'RRULE:FREQ=WEEKLY;COUNT=3'];
    const dates = ['EXDATE;VALUE=DATE:20261012', 'RDATE;VALUE=DATE:20261014'];
    expect(readDaysOff(calendar(...lines, ...dates)).days.map(({ startsOn }) => startsOn)).toEqual([
      ...['2026-10-05', '2026-10-14', '2026-10-19'],
    ]);
    const daily = calendar('SUMMARY:Daily', 'DTSTART;VALUE=DATE:20261005', 'RRULE:FREQ=DAILY');
    expect(readDaysOff(daily).days).toHaveLength(120);
    const many = Array.from({ length: 400 }, () => daily.split('\r\n').slice(2, -1).join('\r\n'));
    const { days, leftOut } = readDaysOff(['BEGIN:VCALENDAR', ...many, 'END:VCALENDAR'].join('\r\n'));
    expect(days.length).toBeLessThan(2200);
    expect(leftOut).toHaveLength(400 - Math.ceil(2000 / 120));
  });
  test('no rule takes more than its steps, whatever it is', () => {
    const part = fc.oneof(
      fc
        .integer({ min: -60, max: 400 })
        .chain((n) =>
          fc
            .constantFrom('BYMONTH', 'BYMONTHDAY', 'BYYEARDAY', 'BYWEEKNO', 'BYSETPOS', 'BYHOUR', 'INTERVAL')
            .map((key) => `${key}=${n}`),
        ),
      fc.constantFrom(
        'BYDAY=MO',
        'BYDAY=5MO',
        'BYDAY=-53SU',
        'BYDAY=XX',
        'COUNT=3',
        'UNTIL=99991231',
        'WKST=SU',
      ),
    );
    const freq = fc.constantFrom('DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY', 'HOURLY', 'NEVER');
    fc.assert(
      fc.property(freq, fc.array(part, { maxLength: 5 }), (every, parts) => {
        const rule = [`RRULE:FREQ=${every}`, ...parts].join(';');
        const begun = performance.now();
        try {
          readDaysOff(calendar('SUMMARY:Tide', 'DTSTART;VALUE=DATE:20261005', rule));
        } catch (error) {
          if (!(error instanceof CalendarError)) throw error;
        }
        // No measure of speed: a rule that is followed without a bound takes minutes.
        return performance.now() - begun < 20_000;
      }),
      { numRuns: 400 },
    );
  });
  test('what is no calendar gets a sentence, whatever it is', () => {
    expect(() => readDaysOff('name,email\nDario,d@x.org')).toThrow(CalendarError);
    fc.assert(
      fc.property(fc.string(), (text) => {
        try {
          readDaysOff(text);
        } catch (error) {
          return error instanceof CalendarError;
        }
        return true;
      }),
    );
  });
});
