import fc from 'fast-check';
import {
  askedInterval,
  endOf,
  intervalsOf,
  isOver,
  lengthOf,
  observedSpans,
  placeOf,
  ranFor,
  runningSpans,
  without,
  type Span,
} from '../src/observation/closeWatch/course';
import { figuresOf, valueOf } from '../src/observation/closeWatch/figures';
import { isMissed, outcomesOf } from '../src/observation/closeWatch/outcomes';
import { figuresWords, runWords } from '../src/observation/closeWatch/words';
import { answers, at, event, later, ms, part, session } from './watchedSession';

describe('how a session runs', () => {
  test('pauses stop it, its end comes by itself so much later', () => {
    const paused = session({ pauses: [part(100, 160), part(200, 230)] });
    expect(ranFor(paused, ms(150))).toBe(100_000);
    expect(runningSpans(paused, later)).toEqual([
      [ms(0), ms(100)],
      [ms(160), ms(200)],
      [ms(230), ms(690)],
    ]);
    expect(endOf(paused, ms(120))).toBe(ms(620));
    expect(endOf(paused, later)).toBe(ms(690));
    expect([isOver(paused, ms(689)), isOver(paused, ms(690))]).toEqual([false, true]);
  });

  test('a pause that goes on stops it at its beginning', () => {
    expect(ranFor(session({ pauses: [part(100, null)] }), later)).toBe(100_000);
    expect(isOver(session({ pauses: [part(100, null)] }), later)).toBe(false);
  });

  test('what is lost is not observed, but the session runs on', () => {
    const lost = session({ lost: [part(30, 90)] });
    expect(ranFor(lost, later)).toBe(600_000);
    expect(lengthOf(observedSpans(lost, later))).toBe(540_000);
  });

  test.each([
    // [interval, record, length, intervals]
    [60, 0, 600, 10],
    [10, 5, 600, 40],
    [10, 5, 595, 40],
    [10, 5, 594, 39],
    [45, 0, 600, 13],
  ])(
    'intervals of %i s with %i s to write down, in %i s: %i',
    (intervalSeconds, recordSeconds, lengthSeconds, count) => {
      expect(intervalsOf(session({ intervalSeconds, recordSeconds, lengthSeconds }))).toBe(count);
    },
  );

  test('where it stands: the interval, then the time to write it down', () => {
    const run = session({ method: 'partial_interval', intervalSeconds: 10, recordSeconds: 5 });
    expect(placeOf(run, ms(4))).toEqual({ index: 0, isRecording: false, nextIn: 6000 });
    expect(placeOf(run, ms(12))).toEqual({ index: 0, isRecording: true, nextIn: 3000 });
    expect(placeOf(run, ms(15))).toEqual({ index: 1, isRecording: false, nextIn: 10_000 });
    expect(placeOf(run, later)).toBeNull();
    expect(askedInterval(run, ms(12))).toBe(0);
    expect(askedInterval(run, ms(16))).toBe(1);
  });

  test('at a momentary sampling the last moment is asked for, until the next one', () => {
    const run = session({});
    const asked = [30, 60, 119, 120, 599, 601, 620].map((seconds) => askedInterval(run, ms(seconds)));
    expect(asked).toEqual([null, 0, 0, 1, 8, 9, null]);
  });

  test('parts of a time: what is taken out and what is left are all of it, nothing twice', () => {
    const span = fc.tuple(fc.integer({ min: 0, max: 100 }), fc.integer({ min: 0, max: 100 }));
    fc.assert(
      fc.property(fc.array(span, { maxLength: 8 }), (others) => {
        const left = without([10, 90], others);
        const isIn = (spans: readonly Span[], moment: number) =>
          spans.some(([from, to]) => from <= moment && moment < to);
        const moments = Array.from({ length: 80 }, (_, index) => index + 10);
        expect(moments.filter((moment) => isIn(left, moment))).toEqual(
          moments.filter((moment) => !isIn(others, moment)),
        );
        expect(lengthOf(left)).toBe(left.reduce((sum, [from, to]) => sum + to - from, 0));
      }),
    );
  });
});

describe('what is known of an interval', () => {
  test('no answer is not observed, never not seen', () => {
    expect(outcomesOf(session({ lengthSeconds: 240 }), answers(true, null, false, null), later)).toEqual([
      ...['seen', 'not_observed', 'not_seen', 'not_observed'],
    ]);
  });

  test('of a momentary sampling only the moment counts', () => {
    const lost = session({ lengthSeconds: 240, lost: [part(70, 110), part(170, 190)] });
    // The phone was locked between the first moment and the second, and over the third.
    expect(outcomesOf(lost, answers(true, true, true, false), later)).toEqual([
      ...['seen', 'seen', 'not_observed', 'not_seen'],
    ]);
    expect([0, 1, 2, 3].map((index) => isMissed(lost, index, later))).toEqual([false, false, true, false]);
  });

  test.each([
    ['partial_interval', true, 'seen'],
    ['partial_interval', false, 'not_observed'],
    ['whole_interval', true, 'not_observed'],
    ['whole_interval', false, 'not_seen'],
  ] as const)('%s, answered %s while a part was lost: %s', (method, seen, outcome) => {
    const lost = session({ method, lengthSeconds: 60, lost: [part(20, 25)] });
    expect(outcomesOf(lost, answers(seen), later)).toEqual([outcome]);
    expect(outcomesOf(lost, [event({ interval: 0, seen, byHand: true })], later)).toEqual([
      seen ? 'seen' : 'not_seen',
    ]);
  });

  test('whatever is lost or paused: what nobody answered is never not seen', () => {
    const times = fc.array(fc.tuple(fc.integer({ min: 0, max: 700 }), fc.integer({ min: 1, max: 200 })), {
      maxLength: 4,
    });
    const method = fc.constantFrom('momentary', 'partial_interval', 'whole_interval');
    const said = fc.array(fc.constantFrom(true, false, null), { minLength: 10, maxLength: 10 });
    fc.assert(
      fc.property(times, times, method, said, (lost, pauses, kind, seen) => {
        const parts = (list: [number, number][]) => list.map(([from, length]) => part(from, from + length));
        const run = session({ method: kind, lost: parts(lost), pauses: parts(pauses) });
        const outcomes = outcomesOf(run, answers(...seen), ms(5000));
        expect(outcomes).toHaveLength(10);
        outcomes.forEach((outcome, index) => {
          const answer = seen[index];
          if (outcome === 'seen') expect(answer).toBe(true);
          if (outcome === 'not_seen') expect(answer).toBe(false);
        });
        const figures = figuresOf(run, answers(...seen), ms(5000));
        expect(figures.kind === 'interval' && figures.seen <= figures.observed).toBe(true);
        expect(figures.observedSeconds).toBeLessThanOrEqual(600);
      }),
    );
  });
});

describe('figures of a session', () => {
  test('times in the observed time', () => {
    const run = session({ method: 'frequency', intervalSeconds: null, lost: [part(0, 120)] });
    const figures = figuresOf(
      run,
      [130, 200, 300, 301].map((seconds) => event({ at: at(seconds) })),
      later,
    );
    expect(figures).toEqual({ kind: 'frequency', observedSeconds: 480, count: 4, perMinute: 0.5 });
    expect(figuresWords(figures)).toBe('4 times in 8 min, 0.5 a minute');
  });

  test('durations: what was paused or lost of them does not count; one that lasts ends with the session', () => {
    const run = session({
      ...{ method: 'duration', intervalSeconds: null },
      ...{ lost: [part(60, 90)], pauses: [part(300, 400)] },
    });
    const seen = [event({ at: at(30), until: at(120) }), event({ at: at(670), until: null })];
    const figures = figuresOf(run, seen, later);
    expect(figures).toEqual({
      ...{ kind: 'duration', observedSeconds: 570, count: 2 },
      ...{ totalSeconds: 90, meanSeconds: 45, percent: (90 / 570) * 100 },
    });
    expect(figuresWords(figures)).toBe('2 times, 1 min 30 s of 9 min 30 s (16 %), 45 s each on average');
  });

  test('latencies: one that was lost in part is not known', () => {
    const run = session({ method: 'latency', intervalSeconds: null, lost: [part(210, 215)] });
    const seen = [
      event({ at: at(10), until: at(15) }),
      event({ at: at(100), until: at(120) }),
      event({ at: at(200), until: at(220) }),
      event({ at: at(400), until: null }),
    ];
    expect(figuresOf(run, seen, later)).toMatchObject({
      asked: 3,
      count: 2,
      meanSeconds: 12.5,
      medianSeconds: 12.5,
    });
  });

  test('nothing observed is no number, not 0', () => {
    for (const method of ['frequency', 'duration', 'latency', 'momentary'] as const) {
      const run = session({
        method,
        intervalSeconds: method === 'momentary' ? 60 : null,
        lost: [part(0, 700)],
      });
      const figures = figuresOf(run, [], later);
      expect([valueOf(figures), figures.observedSeconds]).toEqual([null, 0]);
    }
  });

  test('intervals, in words', () => {
    const figures = figuresOf(session({ lengthSeconds: 300 }), answers(true, false, true, null, true), later);
    expect(figuresWords(figures)).toBe('seen in 3 of 4 intervals, 75 %; 1 not observed');
    expect(runWords(session({}))).toBe('Momentary time sampling, every 1 min for 10 min');
  });
});
