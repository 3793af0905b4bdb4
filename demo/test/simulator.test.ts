import fc from 'fast-check';
import { weekdayOf } from '@slate-path/core/calendar/localTime';
import { Chance } from '../src/simulator/chance';
import { drawEngagement, drawHandIn, drawIllness, drawMissed, drawWeather } from '../src/simulator/draws';
import { drawMoods, type LessonMood } from '../src/simulator/moods';
import { simulateTerm, type TermOptions } from '../src/simulator/simulateTerm';
import { drawCulture, drawUsual, type Usual } from '../src/simulator/students';

const draws = 20_000;
const plain: LessonMood = {
  date: '2026-01-05',
  away: 1,
  ill: 1,
  voice: 1,
  engagement: 0,
  online: 1,
  missing: 1,
  observed: true,
  swept: true,
  noted: true,
  taken: true,
};
const someone: Usual = {
  ...drawUsual(new Chance('someone'), drawCulture(new Chance('a class'), 0)),
  engagement: 2,
  weather: 3.6,
  missing: 0.05,
  handsInLate: 0.08,
  away: 0.04,
};

/** How often something comes, in many draws of one seed. */
function shareOf(draw: (chance: Chance) => boolean, seed = 'shares'): number {
  const chance = new Chance(seed);
  let hits = 0;
  for (let left = draws; left > 0; left -= 1) if (draw(chance)) hits += 1;
  return hits / draws;
}

// Probabilities by scipy.stats 1.10 (norm, gamma, beta, poisson, nbinom), each allowed four standard errors.
test.each<[string, (chance: Chance) => boolean, number]>([
  ['a normal within one deviation', (chance) => chance.normal(5, 2) < 7, 0.8413],
  ['a gamma of a shape under one', (chance) => chance.gamma(0.8, 0.15) < 0.05, 0.3323],
  ['a gamma under its mean', (chance) => chance.gamma(2, 1.2) < 1.2, 0.594],
  ['a beta of a small mean', (chance) => chance.beta(0.035, 60) < 0.02, 0.3014],
  ['no event of 1.2', (chance) => chance.poisson(1.2) === 0, 0.3012],
  ['two events of 1.2', (chance) => chance.poisson(1.2) === 2, 0.2169],
  ['40 or more of 45, drawn in parts', (chance) => chance.poisson(45) >= 40, 0.7916],
  ['none of six, overdispersed', (chance) => chance.overdispersed(6, 2) === 0, 0.0625],
  ['three of six, overdispersed', (chance) => chance.overdispersed(6, 2) === 3, 0.1055],
  ['15 or more of six, overdispersed', (chance) => chance.overdispersed(6, 2) >= 15, 0.0635],
  ['Steering, of whom level 2 is usual', (chance) => drawEngagement(chance, someone, plain) === 3, 0.2023],
  ['Rowing, of the same', (chance) => drawEngagement(chance, someone, plain) === 2, 0.5953],
  ['Coasting, of the same', (chance) => drawEngagement(chance, someone, plain) === 1, 0.1961],
  ['cloud, of whom 3.6 is usual', (chance) => drawWeather(chance, someone) === 3, 0.3657],
  ['clear, of the same', (chance) => drawWeather(chance, someone) === 5, 0.1303],
  ['missing work', (chance) => drawHandIn(chance, someone, plain) === null, 0.05],
  [
    'missing work in a week where all miss more',
    (chance) => drawHandIn(chance, someone, { ...plain, missing: 2 }) === null,
    0.1,
  ],
  ['late work', (chance) => (drawHandIn(chance, someone, plain)?.daysLate ?? 0) > 0, 0.95 * 0.08],
  ['a day missed in a storm', (chance) => drawMissed(chance, someone, { ...plain, away: 4 }, null), 0.16],
  ['a day missed as planted', (chance) => drawMissed(chance, someone, { ...plain, away: 4 }, 0.6), 0.6],
])('%s comes as often as it should', (_what, draw, expected) => {
  const error = Math.sqrt((expected * (1 - expected)) / draws);
  expect(Math.abs(shareOf(draw) - expected)).toBeLessThan(4 * error + 0.00005);
});

test('an illness takes two to four days, and none begins in another', () => {
  fc.assert(
    fc.property(fc.string(), (seed) => {
      const chance = new Chance(seed);
      let until = -1;
      for (let day = 0; day < 300; day += 1) {
        const next = drawIllness(chance, { ...someone, ill: 0.2 }, plain, until, day);
        if (next !== until) {
          expect(day).toBeGreaterThan(until);
          expect(next - day + 1).toBeGreaterThanOrEqual(2);
          expect(next - day + 1).toBeLessThanOrEqual(4);
        }
        until = next;
      }
      expect(until).toBeGreaterThan(0);
    }),
    { numRuns: 40 },
  );
});

test('the moods of a term: school days in order, one week of exams, one cold, and days that are like no other', () => {
  fc.assert(
    fc.property(fc.string(), fc.integer({ min: 10, max: 40 }), (seed, weeks) => {
      const moods = drawMoods(new Chance(seed), { weeks, startsOn: '2025-12-01' });
      expect(moods.map(({ date }) => weekdayOf(date))).toEqual(
        Array.from({ length: weeks * 5 }, (_, at) => (at % 5) + 1),
      );
      expect(moods.map(({ date }) => date)).toEqual([...moods.map(({ date }) => date)].sort());
      expect(moods.filter(({ missing }) => missing === 2)).toHaveLength(5);
      expect(moods.filter(({ ill }) => ill === 4).length).toBeGreaterThanOrEqual(10);
    }),
    { numRuns: 50 },
  );
});

test('independent days are all alike, but that the teacher looks only now and then', () => {
  const moods = drawMoods(new Chance('one'), { weeks: 20, startsOn: '2025-12-01', independent: true });
  for (const mood of moods)
    expect(mood).toMatchObject({ away: 1, ill: 0, voice: 1, engagement: 0, online: 1, missing: 1 });
  expect(new Set(moods.map(({ swept }) => swept)).size).toBe(2);
  const { usuals } = simulateTerm({ ...options, independent: true });
  for (const { ill, scatter } of usuals.values()) expect([ill, scatter]).toEqual([0, 0.95]);
});

const options: TermOptions = {
  seed: 'truths',
  students: 30,
  weeks: 30,
  startsOn: '2025-12-01',
  planted: ['absence', 'engagement', 'voice', 'onlineAndVoice', 'missingWork'],
  weekday: true,
  onsetLesson: 60,
  variety: 0.3,
};

describe('a simulated term', () => {
  const { archive, truths, moods, usuals } = simulateTerm(options);
  const lessonAt = (id: string) => Number(id.slice(1));
  const missedBy = (student: string) =>
    new Set(
      archive.roll
        .filter((row) => row.student_id === student && row.standing_id === 'away')
        .map((row) => lessonAt(row.lesson_id)),
    );
  test('tells the truth of each story, and of everyone what is usual', () => {
    expect(truths.map(({ story }) => story)).toEqual([...options.planted, 'weekday']);
    expect(usuals.size).toBe(30);
    for (const { before, after, onsetLesson } of truths) {
      expect(onsetLesson).toBe(60);
      for (const key of Object.keys(before) as (keyof Usual)[])
        expect(Number.isFinite(before[key]) && Number.isFinite(after[key])).toBe(true);
    }
  });
  test('whoever misses one weekday misses that from the onset on, and other days as ever', () => {
    const { studentId, day } = truths.at(-1)!;
    const missed = missedBy(studentId);
    const share = (which: (at: number) => boolean) => {
      const lessons = moods.flatMap(({ taken }, at) => (taken && which(at) ? [at] : []));
      return lessons.filter((at) => missed.has(at)).length / lessons.length;
    };
    expect(share((at) => at >= 60 && (at % 5) + 1 === day)).toBeGreaterThan(0.35);
    expect(share((at) => at >= 60 && (at % 5) + 1 !== day)).toBeLessThan(0.15);
    expect(share((at) => at < 60)).toBeLessThan(0.15);
  });
  test('whoever was away is seen nowhere in that lesson, and a roll not taken has no marks', () => {
    for (const { id } of archive.students) {
      const missed = missedBy(id);
      for (const table of [archive.tallies, archive.sweeps, archive.check_ins])
        for (const row of table)
          if (row.student_id === id) expect(missed.has(lessonAt(row.lesson_id))).toBe(false);
    }
    for (const { lesson_id: id } of archive.roll) expect(moods[lessonAt(id)]?.taken).toBe(true);
  });
  test('whoever joins late is nowhere before', () => {
    const late = archive.enrolments.filter(({ starts_on: from }) => from !== null);
    const joined = new Map(late.map((row) => [row.student_id, row.starts_on ?? '']));
    for (const row of [...archive.roll, ...archive.sweeps]) {
      const from = joined.get(row.student_id);
      if (from) expect((moods[lessonAt(row.lesson_id)]?.date ?? '') >= from).toBe(true);
    }
    expect(joined.size).toBeGreaterThan(0);
  });
});
