import fc from 'fast-check';
import { Memory } from '../../src/watch/signals/memory';
import { onsetOf } from '../../src/watch/signals/onset';
import { draw } from './classes';

const recentOf = (scores: readonly number[], lessonOf = (at: number) => at) => ({
  lessons: scores.map((_, at) => lessonOf(at)),
  scores: [...scores],
});

test.each([
  ['as usual, then a clear change: its first lesson', [-1, -1, -1, -1, 2, 2, 2, 2, 2], 4],
  ['an odd lesson long before does not draw the date to it', [2, -1, -1, -1, -1, -1, -1, -1, 2, 2, 2, 2], 8],
  ['nothing but the change: the likeliest of all, the first', [2, 2, 2], 0],
])('%s', (_, scores, expected) => {
  expect(onsetOf(recentOf(scores), scores.length - 1)).toBe(expected);
});

test('where nothing was seen for a while around the change, the date lies between the last as usual and the first changed', () => {
  // Lessons 0 to 8 as usual, nothing until 17, changed from there on.
  const scores = [...Array<number>(9).fill(-1.5), 2, 2, 2];
  const found = onsetOf(
    recentOf(scores, (at) => (at < 9 ? at : at + 8)),
    19,
  );
  expect(found).toBeGreaterThan(9);
  expect(found).toBeLessThanOrEqual(17);
});

test('lessons counted from elsewhere move the date by just as much', () => {
  const scores = fc.array(
    fc.integer({ min: -12, max: 12 }).map((score) => score / 4),
    { minLength: 1, maxLength: 50 },
  );
  fc.assert(
    fc.property(scores, fc.nat(300), (list, by) => {
      const here = onsetOf(recentOf(list), list.length - 1);
      expect(
        onsetOf(
          recentOf(list, (at) => at + by),
          list.length - 1 + by,
        ),
      ).toBe(here + by);
    }),
  );
});

test('absence from 5 to 40 %: within three lessons more often than the last zero of the evidence', () => {
  const [hit, miss] = [Math.log(0.4 / 0.05), Math.log(0.6 / 0.95)];
  let [asDated, asLastZero] = [0, 0];
  const classes = 400;
  for (let k = 0; k < classes; k += 1) {
    const onset = 30 + (k % 7);
    const scores: number[] = [];
    let [evidence, zero] = [0, 0];
    // On until the change would be called at about one false alarm in 2,000 lessons.
    for (let lesson = 0; lesson < onset || (evidence < 6 && lesson < 120); lesson += 1) {
      const score = draw(k, lesson, 9) < (lesson < onset ? 0.05 : 0.4) ? hit : miss;
      scores.push(score);
      evidence = Math.max(0, evidence + score);
      if (evidence === 0) zero = lesson + 1;
    }
    if (Math.abs(onsetOf(recentOf(scores), scores.length - 1) - onset) <= 3) asDated += 1;
    if (Math.abs(zero - onset) <= 3) asLastZero += 1;
  }
  expect(asDated).toBeGreaterThan(asLastZero);
  expect(asDated / classes).toBeGreaterThan(0.6);
});

test('a memory adds up what was seen from a lesson on, and forgets only what is long past', () => {
  const memory = new Memory();
  for (let lesson = 0; lesson < 500; lesson += 1) memory.add(lesson, 0, lesson % 2, 0.5);
  expect(memory.sumSince(490)).toEqual({ count: 10, sum: 5, exposure: 5 });
  expect(memory.lessons.at(-1)).toBe(499);
  expect(memory.lessons.length).toBeGreaterThanOrEqual(60);
  expect(memory.lessons.length).toBeLessThan(120);
});
