import fc from 'fast-check';
import { agreementOf, kappaLimits } from '../src/observation/closeWatch/agreement';
import { beforeAfterOf } from '../src/observation/closeWatch/beforeAfter';
import { draftSummary } from '../src/observation/closeWatch/draft';
import { betterWay, watchOf } from '../src/observation/closeWatch/ofStudent';
import { phasesOf } from '../src/observation/closeWatch/phases';
import { agreementWords } from '../src/observation/closeWatch/words';
import { answers, at, event, later, session } from './watchedSession';

describe('two observers', () => {
  test('interval by interval, where both observed', () => {
    const [one, other] = [answers(true, true, false, null, false), answers(true, false, false, true, false)];
    const run = session({ lengthSeconds: 300 });
    const found = agreementOf({ session: run, events: one }, { session: run, events: other }, later);
    expect(found).toMatchObject({
      ...{ by: 'interval', cases: 4, percent: 75, seenPercent: 50 },
      table: { both: 1, first: 1, second: 0, neither: 2 },
    });
    expect(found.notSeenPercent).toBeCloseTo(200 / 3, 10);
    // (0.75 − (2·1 + 2·3)/16) / (1 − 0.5)
    expect(found.kappa?.kappa).toBeCloseTo(0.5, 10);
    expect(agreementWords(found)).toContain('The same in 75 % of 4 intervals.');
    expect(kappaLimits(found).join(' ')).toMatch(/4 cases are few/);
  });

  test('who began two intervals later is laid beside the same time', () => {
    const run = session({ lengthSeconds: 300 });
    const late = session({ lengthSeconds: 180, startedAt: at(122) });
    const found = agreementOf(
      { session: run, events: answers(true, true, true, false, true) },
      { session: late, events: answers(true, false, true) },
      later,
    );
    expect(found).toMatchObject({ cases: 3, percent: 100 });
  });

  test('sums of times, and windows of ten seconds', () => {
    const run = session({ method: 'frequency', intervalSeconds: null, lengthSeconds: 60 });
    const seen = (...moments: number[]) => moments.map((seconds) => event({ at: at(seconds) }));
    const found = agreementOf(
      { session: run, events: seen(1, 2, 25, 41) },
      { session: run, events: seen(3, 26, 55) },
      later,
    );
    expect(found).toMatchObject({ by: 'window', cases: 6, totalPercent: 75 });
    expect(found.table).toEqual({ both: 2, first: 1, second: 1, neither: 2 });
  });

  test('durations second by second', () => {
    const run = session({ method: 'duration', intervalSeconds: null, lengthSeconds: 100 });
    const seen = (from: number, to: number) => [event({ at: at(from), until: at(to) })];
    const found = agreementOf(
      { session: run, events: seen(10, 50) },
      { session: run, events: seen(20, 50) },
      later,
    );
    expect(found).toMatchObject({ by: 'second', cases: 100, percent: 90, totalPercent: 75, seenPercent: 75 });
  });

  test('latencies, one beside the other', () => {
    const run = session({ method: 'latency', intervalSeconds: null });
    const seen = (...lengths: number[]) =>
      lengths.map((length, index) => event({ at: at(index * 60), until: at(index * 60 + length) }));
    const found = agreementOf(
      { session: run, events: seen(10, 20) },
      { session: run, events: seen(8, 20) },
      later,
    );
    expect(found).toMatchObject({ by: 'asked', cases: 2, percent: 90, kappa: null });
  });

  test('it does not matter who is the first', () => {
    const said = fc.array(fc.constantFrom(true, false, null), { minLength: 10, maxLength: 10 });
    fc.assert(
      fc.property(said, said, (first, second) => {
        const run = session({});
        const [one, other] = [first, second].map((seen) => ({ session: run, events: answers(...seen) }));
        if (!one || !other) return;
        const [there, back] = [agreementOf(one, other, later), agreementOf(other, one, later)];
        expect([back.percent, back.seenPercent, back.notSeenPercent]).toEqual([
          there.percent,
          there.seenPercent,
          there.notSeenPercent,
        ]);
        const same = agreementOf(one, one, later);
        expect(same.percent ?? 100).toBe(100);
      }),
    );
  });

  test('where it is rarely seen, the limit of kappa is said', () => {
    const rare = { by: 'interval' as const, table: { both: 5, first: 10, second: 5, neither: 80 } };
    const kappa = { cases: 100, observed: 0.85, expected: 0.78, kappa: 0.32, standardError: 0.1 };
    expect(kappaLimits({ ...rare, kappa }).join(' ')).toMatch(/rarely seen: then kappa is low/);
    expect(kappaLimits({ ...rare, kappa: { ...kappa, kappa: null } }).join(' ')).toMatch(/has no value/);
  });
});

describe('phases', () => {
  const values = [40, 30, 50, 45, 35, 70, 80, 75, 60, 85].map((value, index) => ({
    ...{ observationId: String(index), date: `2026-11-${String(index + 2).padStart(2, '0')}` },
    ...{ at: Date.parse(`2026-11-${String(index + 2).padStart(2, '0')}T09:00:00Z`), value },
  }));
  const front = { startsOn: '2026-11-07', name: 'A seat in front' };

  test('what was before the first change is the baseline', () => {
    const [baseline, after] = phasesOf(values, [front], 'up');
    expect(baseline).toMatchObject({ name: '', startsOn: null, median: 40, overlap: null });
    expect(after).toMatchObject({ ...front, median: 75 });
    expect(after?.overlap).toMatchObject({ tau: 1, nonOverlapping: 100 });
    // The middle of −10, −10, −7.5, −5, −1.25, 5/3, 5/3, 5, 7.5 and 20 a day.
    expect(baseline?.trend?.slope).toBeCloseTo(5 / 24, 8);
  });

  test('every session is in one phase, two changes of one day are one', () => {
    const day = fc.integer({ min: 1, max: 28 }).map((number) => `2026-11-${String(number).padStart(2, '0')}`);
    fc.assert(
      fc.property(fc.array(day, { maxLength: 5 }), (days) => {
        const phases = phasesOf(
          values,
          days.map((startsOn) => ({ startsOn, name: 'x' })),
          'down',
        );
        expect(phases).toHaveLength(new Set(days).size + 1);
        expect(phases.flatMap((phase) => phase.values)).toEqual(values);
      }),
    );
  });

  test('the draft says what was watched, how, each phase and how sure it is', () => {
    const plan = {
      ...{
        name: 'On task',
        definition: 'Eyes on the page.',
        tone: 'wanted' as const,
        method: 'momentary' as const,
      },
      ...{ intervalSeconds: 60, recordSeconds: 0, lengthSeconds: 600 },
    };
    const text = draftSummary({
      ...{ name: 'Ada', plan, phases: phasesOf(values.slice(0, 8), [front], 'up'), observedSeconds: 4800 },
      beforeAfter: beforeAfterOf([
        { before: 'work got hard', after: 'helped' },
        { before: 'work got hard', after: 'helped' },
        { before: '', after: '' },
      ]),
      ...{ agreements: [90, 100], dayWords: (date) => date },
    });
    expect(text).toBe(
      'From 2026-11-02 to 2026-11-09 Ada was watched closely in 8 sessions, 1 h 20 min in all. What was watched: On task (Eyes on the page). How: Momentary time sampling, every 1 min for 10 min. At first, in 5 sessions: 40 % in the middle (30 % to 50 %). Since 2026-11-07 (A seat in front), in 3 sessions: 75 % in the middle (70 % to 80 %). Each session after put beside each before: 15 of 15 pairs better, 0 worse (Tau 1, Tau-U 1). With fewer than 5 sessions in a phase this is a hint, no more. It came most often after “work got hard”, followed by “helped”, 2 times. A second observer watched beside in 2 sessions and said the same in 95 %.',
    );
  });
});

describe('all sessions of a student', () => {
  const plan = {
    ...{
      id: 'plan',
      sectionId: 's',
      name: 'On task',
      definition: '',
      tone: 'wanted' as const,
      removed: false,
    },
    ...{
      studentIds: ['a'],
      method: 'momentary' as const,
      intervalSeconds: 60,
      recordSeconds: 0,
      lengthSeconds: 300,
    },
    ...{ signal: 'both' as const, befores: [], afters: [] },
  };
  const held = (id: string, from: number, besideId: string | null = null) => ({
    ...session({ lengthSeconds: 300, startedAt: at(from), endedAt: at(from + 300) }),
    ...{ id, planId: 'plan', lessonId: 'l', observer: id, besideId, removed: false },
  });
  const seen = (observationId: string, ...said: boolean[]) =>
    said.map((one, interval) => ({
      ...event({ interval, seen: one, before: interval === 0 ? 'asked to begin' : '' }),
      ...{ id: `${observationId}.${interval}`, observationId, removed: false },
    }));
  const read = (sessions: ReturnType<typeof held>[], studentId = 'a') =>
    watchOf({
      ...{ plan, studentId, sessions, changes: [], dateOf: (instant) => instant.slice(0, 10), now: later },
      events: [
        ...seen('one', true, true, false, false),
        ...seen('two', true, false, false, false),
        ...seen('next', true, true, true, true, true),
      ],
    });

  test('a second observer’s session is no session of its own; both are compared', () => {
    const watch = read([held('two', 0, 'one'), held('next', 1000), held('one', 0)]);
    expect(watch.sessions.map((one) => one.session.id)).toEqual(['one', 'next']);
    expect(watch.phases[0]?.values.map(({ value }) => value)).toEqual([50, 100]);
    expect(
      watch.pairs.map(({ first, second, agreement }) => [first.id, second.id, agreement.percent]),
    ).toEqual([['one', 'two', 75]]);
    // Only what the first observer said of before and after.
    expect(watch.beforeAfter).toEqual([{ before: 'asked to begin', after: '', count: 2 }]);
    expect(watch.observedSeconds).toBe(600);
  });

  test('of others, of another plan, of what goes on and of what was removed nothing is told', () => {
    const goesOn = { ...held('on', 0), endedAt: null, startedAt: new Date(later - 1000).toISOString() };
    const others = [goesOn, { ...held('gone', 0), removed: true }, { ...held('other', 0), planId: 'else' }];
    expect(read(others).sessions).toEqual([]);
    expect(read([held('one', 0)], 'b').sessions).toEqual([]);
  });

  test.each([
    ['momentary', 'wanted', 'up'],
    ['momentary', 'neutral', 'up'],
    ['frequency', 'unwanted', 'down'],
    ['latency', 'wanted', 'down'],
    ['latency', 'unwanted', 'up'],
  ] as const)('%s of what is %s gets better %s', (method, tone, way) => {
    expect(betterWay({ method, tone })).toBe(way);
  });
});
