import fc from 'fast-check';
import { instantOf, localMoment } from '../src/calendar/zone';
import { nodCounts, withoutNod } from '../src/nods/counts';
import { nodLetter } from '../src/nods/letter';
import { takeBackMs, tellAt } from '../src/nods/tellAt';

const zone = 'Europe/Dublin';
const at = (date: string, time: string) => instantOf({ date, time }, zone);
const night = { quietFrom: '20:00', quietUntil: '07:00' };

describe('when a nod is told', () => {
  test.each([
    ['in the lesson', '2026-11-23', '10:48', night, '2026-11-23', '10:49'],
    ['a minute before the quiet hours', '2026-11-23', '19:59', night, '2026-11-24', '07:00'],
    ['in the evening', '2026-11-23', '22:30', night, '2026-11-24', '07:00'],
    ['at night', '2026-11-24', '03:00', night, '2026-11-24', '07:00'],
    ['a minute before they end', '2026-11-24', '06:59', night, '2026-11-24', '07:00'],
    ['on the last day of a month', '2026-11-30', '21:00', night, '2026-12-01', '07:00'],
    ['over the change of the clocks', '2026-03-28', '23:00', night, '2026-03-29', '07:00'],
    [
      ...(['within quiet hours of one day', '2026-11-23', '12:30'] as const),
      ...([{ quietFrom: '12:00', quietUntil: '13:00' }, '2026-11-23', '13:00'] as const),
    ],
    [
      ...(['without quiet hours', '2026-11-23', '23:00'] as const),
      ...([{ quietFrom: null, quietUntil: null }, '2026-11-23', '23:01'] as const),
    ],
  ])('%s', (_what, date, time, quiet, day, hour) => {
    expect(localMoment(tellAt(at(date, time), zone, quiet), zone)).toEqual({ date: day, time: hour });
  });

  test('never within a minute, never in quiet hours, never later than a day and a minute', () => {
    const time = fc
      .integer({ min: 0, max: 24 * 60 - 1 })
      .map(
        (minute) =>
          `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`,
      );
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 400 * 1440 }), time, time, (minute, quietFrom, quietUntil) => {
        const now = at('2026-01-01', '00:00') + minute * 60_000;
        const told = tellAt(now, 'UTC', { quietFrom, quietUntil });
        const { time: when } = localMoment(told, 'UTC');
        const isQuiet =
          quietFrom <= quietUntil
            ? quietFrom <= when && when < quietUntil
            : when >= quietFrom || when < quietUntil;
        expect([told - now >= takeBackMs, told - now <= 86_460_000, isQuiet]).toEqual([true, true, false]);
      }),
    );
  });
});

test('a letter says for what, where and the few words; nothing that is not there', () => {
  const nod = { fullName: 'Mei Quispe', className: 'Boats', reason: 'Kept at it', teacherName: 'Ines' };
  expect(nodLetter({ ...nod, place: 'Shed', comment: 'All morning.' }, 'guardians')).toEqual({
    subject: 'A nod for Mei Quispe',
    body: 'Good day,\n\nMei Quispe got a nod in Boats, Shed: Kept at it.\n\nAll morning.\n\nInes',
  });
  expect(nodLetter({ ...nod, reason: '', place: '', comment: '' }, 'student').body).toBe(
    'Dear Mei Quispe,\n\nyou got a nod in Boats.\n\nInes',
  );
});

describe('counts', () => {
  const nod = (studentId: string, day: string, reason: string, place = '') => ({
    ...{ studentId, at: `${day}T10:45:00`, reason, place },
  });
  const nods = [
    nod('a', '2026-11-23', 'Kept at it', 'Shed'),
    nod('a', '2026-11-27', 'A question'),
    nod('b', '2026-11-30', 'Kept at it'),
    nod('a', '2026-12-01', 'Kept at it'),
  ];
  test.each([
    ['student', ['a 3', 'b 1']],
    ['reason', ['Kept at it 3', 'A question 1']],
    ['place', [' 3', 'Shed 1']],
    ['week', ['2026-11-23 2', '2026-11-30 2']],
    ['month', ['2026-11 3', '2026-12 1']],
  ] as const)('by %s', (grouping, expected) => {
    expect(nodCounts(nods, grouping).map(({ key, count }) => `${key} ${count}`)).toEqual(expected);
  });

  test('who has had none since a day, in their order', () => {
    expect(withoutNod(['c', 'b', 'a'], nods, '2026-11-30')).toEqual(['c']);
    expect(withoutNod(['c', 'b', 'a'], nods, '2026-12-01')).toEqual(['c', 'b']);
  });
});
