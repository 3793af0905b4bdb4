import { daysBetween, weekdayOf } from '@slate-path/core/calendar/localTime';
import { localMoment } from '@slate-path/core/calendar/zone';
import { demoStart } from '../src/demoClock';
import { classes, periodTimes, school } from '../src/scenario';
import { makeTerm } from '../src/term';
import { checkInClass, makeCheckIns } from '../src/weather';

/** The class that is in a lesson at a moment, if any. */
function classAt(now: number): string | undefined {
  const { date, time } = localMoment(now, school.zone);
  return classes.find(({ meets }) =>
    meets.some(([weekday, period]) => {
      const { startsAt, endsAt } = periodTimes(period);
      return weekday === weekdayOf(date) && startsAt < time && time < endsAt;
    }),
  )?.name;
}

test.each([
  ['on a Monday morning', '2026-11-23T10:50:00Z', 'Boat Workshop'],
  ['on a Monday night', '2026-11-23T23:50:00Z', undefined],
  ['on a Saturday', '2026-11-28T12:00:00Z', 'Log-keeping'],
  ['on a Sunday', '2026-11-29T18:00:00Z', 'Tides and Navigation'],
  ['in summer', '2026-07-05T03:00:00Z', undefined],
])('started %s, a lesson is on', (_when, now, name) => {
  const start = demoStart(Date.parse(now));
  expect(classAt(start)).toBeDefined();
  if (name) expect(classAt(start)).toBe(name);
});

test('started again, its clock never goes back nor past its term', () => {
  const lastNow = Date.parse('2026-11-24T10:00:00Z');
  const kept = { lastNow, endsOn: '2026-12-04' };
  for (const now of ['2026-11-23T08:00:00Z', '2026-11-24T11:00:00Z', '2027-03-01T12:00:00Z']) {
    const start = demoStart(Date.parse(now), kept);
    expect(start).toBeGreaterThanOrEqual(lastNow);
    expect(localMoment(start, school.zone).date <= kept.endsOn).toBe(true);
    expect(classAt(start)).toBeDefined();
  }
});

describe('the term', () => {
  const now = Date.parse('2026-11-23T11:00:00Z');
  const term = makeTerm(now);
  test('is the same for the same seed, and another for another', () => {
    expect(makeTerm(now)).toEqual(term);
    expect(makeTerm(now, 'another')).not.toEqual(term);
  });
  test('is the same term on a later day, and in another year, up to where both have come', () => {
    const lived = ({ startsOn, lessons }: typeof term) =>
      lessons.map(({ className, date, startsAt, fate, exceptions }) => {
        const who = exceptions.map(({ student, ...rest }) => ({ ...rest, id: student.schoolId }));
        return [className, daysBetween(startsOn, date), startsAt, fate, who];
      });
    const lastDay = daysBetween(term.startsOn, '2026-11-23');
    const before = (lessons: ReturnType<typeof lived>) => lessons.filter(([, day]) => Number(day) < lastDay);
    const sofar = before(lived(term));
    expect(sofar.length).toBeGreaterThan(190);
    for (const later of ['2026-11-27T11:00:00Z', '2029-05-18T11:00:00Z'])
      expect(before(lived(makeTerm(Date.parse(later))))).toEqual(sofar);
  });
  test('has five classes, about 110 students, fourteen weeks, and lessons up to now', () => {
    expect(new Set(term.lessons.map(({ className }) => className)).size).toBe(5);
    expect(term.students.length).toBe(110);
    expect(term.startsOn).toBe('2026-08-24');
    expect(term.lessons.at(-1)?.date).toBe('2026-11-23');
    expect(new Set(term.lessons.map(({ fate }) => fate))).toEqual(
      new Set(['taken', 'forgotten', 'set_aside']),
    );
    expect(term.lessons.some(({ date }) => date >= '2026-10-19' && date <= '2026-10-23')).toBe(false);
  });
  test('everyone has a weather of their own, and one’s turns', () => {
    const key = { id: 'l', sectionId: checkInClass, startsAt: '09:45', endsAt: '10:35' };
    const lessons = term.lessons
      .filter(({ className }) => className === checkInClass)
      .map(({ date }) => ({
        key: { ...key, date },
        there: term.students
          .filter(({ classes: own }) => own.includes(checkInClass))
          .map((student) => ({ id: student.schoolId, student })),
      }));
    const make = () => makeCheckIns(lessons, term.life, (date) => `${date}T09:40:00.000Z`);
    const made = make();
    expect(make()).toEqual(made);
    const mean = (name: string, days: (date: string) => boolean) => {
      const id = term.students.find(({ givenName }) => givenName === name)?.schoolId;
      const signs = made
        .filter(({ lesson, checkIn }) => checkIn.studentId === id && days(lesson.date))
        .flatMap(({ checkIn }) => checkIn.weather ?? []);
      return signs.reduce((sum, sign) => sum + sign, 0) / signs.length;
    };
    const late = (date: string) => date >= '2026-11-16';
    expect(mean('Odalys', (date) => !late(date)) - mean('Odalys', late)).toBeGreaterThan(1.5);
    expect(Math.abs(mean('Pell', (date) => !late(date)) - mean('Pell', late))).toBeLessThan(1);
    expect(made.length).toBeGreaterThan(0.85 * lessons.length * 14);
  });
  test('has the planted stories: missed Mondays, a run that has not ended, late after lunch', () => {
    const missed = (name: string, days: (date: string) => boolean) => {
      const lessons = term.lessons.filter(
        ({ className, date }) => className === 'Boat Workshop' && days(date),
      );
      const away = lessons.filter(({ exceptions }) =>
        exceptions.some(
          ({ student, kind }) => student.familyName === name && (kind === 'away' || kind === 'excused'),
        ),
      );
      return away.length / lessons.length;
    };
    const late = (date: string) => date >= '2026-09-28';
    expect(missed('Afolabi', (date) => late(date) && weekdayOf(date) === 1)).toBeGreaterThan(0.6);
    expect(missed('Afolabi', (date) => weekdayOf(date) !== 1)).toBeLessThan(0.15);
    expect(missed('Haddadin', (date) => date >= '2026-11-16')).toBe(1);
    const lunch = term.lessons.filter(
      ({ className, startsAt }) => className === 'Boat Workshop' && startsAt === '13:15',
    );
    const lates = lunch.filter(({ exceptions }) =>
      exceptions.some(({ student, kind }) => student.givenName === 'Saoirse' && kind === 'late'),
    );
    expect(lates.length / lunch.length).toBeGreaterThan(0.35);
  });
});
