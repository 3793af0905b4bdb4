import fc from 'fast-check';
import { modelOf } from '../../src/watch/signals/followStreams';
import type { Model } from '../../src/watch/signals/models/model';
import { streamNames, type Slot, type StreamName } from '../../src/watch/signals/streams';

const students = 8;

/** What can be seen in a stream, from what speaks least for a change to what speaks most. */
const seen: Record<StreamName, readonly number[]> = {
  presence: [0, 1],
  lateness: [0, 1],
  voice: [6, 3, 1, 0],
  trouble: [0, 1, 3, 6],
  engagement: [3, 2, 1, 0],
  weather: [5, 4, 3, 2, 1],
  online: [20, 6, 2, 0],
  hand_in: [0, 1, 2],
  score: [25, 8, 0, -8, -25],
  stuck: [0, 1, 2],
};
const best = (stream: StreamName) => seen[stream][0] ?? 0;
const worst = (stream: StreamName) => seen[stream].at(-1) ?? 0;

const slotOf = (values: readonly number[], lesson: number): Slot => ({
  date: new Date(Date.UTC(2026, 0, 5 + lesson)).toISOString().slice(0, 10),
  lesson,
  value: Float64Array.from(values),
  exposure: null,
  source: `l${lesson}`,
});

/** Everybody's observations teach what is usual. */
function teach(model: Model, slot: Slot): void {
  model.begin(slot);
  slot.value.forEach((value, i) => {
    if (Number.isNaN(value)) return;
    model.hold(i);
    model.learn(i);
  });
}

const taught = (stream: StreamName, history: readonly (readonly number[])[]) => {
  const model = modelOf[stream](students);
  history.forEach((values, lesson) => {
    teach(model, slotOf(values, lesson));
  });
  return model;
};

/** Lessons of a class, here and there without a value. */
const historyOf = (stream: StreamName) =>
  fc.array(
    fc.array(fc.oneof({ weight: 9, arbitrary: fc.constantFrom(...seen[stream]) }, fc.constant(NaN)), {
      minLength: students,
      maxLength: students,
    }),
    { minLength: 12, maxLength: 40 },
  );

/** The scores of one more lesson, in which student 0 does this and the others what they did last. */
function scoreOf(stream: StreamName, history: readonly (readonly number[])[], value: number): number {
  const model = taught(stream, history);
  const last = history.at(-1) ?? [];
  model.begin(slotOf([value, ...last.slice(1)], history.length));
  return model.score(0);
}

describe.each(streamNames)('%s', (stream) => {
  const history = historyOf(stream);
  test('the worst that can be seen speaks more for a change than the best', () => {
    fc.assert(
      fc.property(history, (lessons) => {
        expect(scoreOf(stream, lessons, worst(stream))).toBeGreaterThanOrEqual(
          scoreOf(stream, lessons, best(stream)),
        );
      }),
    );
  });
  test('whoever did nothing but the best, and then the worst, is suspected; whoever goes on is not', () => {
    const lessons = Array.from({ length: 20 }, () => Array.from({ length: students }, () => best(stream)));
    expect(scoreOf(stream, lessons, worst(stream))).toBeGreaterThan(0.3);
    expect(scoreOf(stream, lessons, best(stream))).toBeLessThanOrEqual(0);
  });
  test('what is usual follows what was seen, and a segment that was a change teaches nothing', () => {
    const lessons = Array.from({ length: 30 }, (_, at) =>
      Array.from({ length: students }, (_one, i) => (i < 4 ? best(stream) : (seen[stream][at % 2] ?? 0))),
    );
    const model = taught(stream, lessons);
    const [first, last] = [model.usual(0), model.usual(students - 1)];
    const isRise = worst(stream) > best(stream);
    expect(isRise ? first <= last : first >= last).toBe(true);
    for (let times = 0; times < 5; times += 1) {
      model.begin(slotOf([worst(stream), ...Array<number>(students - 1).fill(best(stream))], 30 + times));
      model.hold(0);
      model.drop(0);
    }
    model.begin(slotOf(Array<number>(students).fill(best(stream)), 35));
    const forgotten = model.usual(0);
    expect(isRise ? forgotten <= last : forgotten >= last).toBe(true);
  });
  test('students in another order have the same scores, usuals and rarities', () => {
    const order = fc.shuffledSubarray([...Array(students).keys()], { minLength: students });
    fc.assert(
      fc.property(history, order, (lessons, places) => {
        const plain = taught(stream, lessons);
        const moved = taught(
          stream,
          lessons.map((values) => places.map((place) => values[place] ?? NaN)),
        );
        places.forEach((place, i) => {
          if (Number.isNaN(lessons.at(-1)?.[place])) return;
          expect(moved.score(i)).toBeCloseTo(plain.score(place), 6);
          expect(moved.usual(i)).toBeCloseTo(plain.usual(place), 6);
          expect(moved.rarity(i)).toBeCloseTo(plain.rarity(place), 6);
        });
      }),
      { numRuns: 40 },
    );
  });
  test('whatever was seen, everything that is said of it is a number, and what is usual weighs more than nothing', () => {
    fc.assert(
      fc.property(history, (lessons) => {
        const model = taught(stream, lessons);
        lessons.at(-1)?.forEach((value, i) => {
          if (Number.isNaN(value)) return;
          const said = [
            model.score(i),
            model.scoreAsSeen(i),
            model.usual(i),
            model.amount(i),
            model.rarity(i),
          ];
          expect(said.every(Number.isFinite)).toBe(true);
          expect(model.weightAsUsual(i)).toBeGreaterThan(0);
        });
      }),
    );
  });
});
