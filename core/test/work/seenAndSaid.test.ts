import fc from 'fast-check';
import { middleHalf } from '../../src/statistics/middleHalf';
import { planBring } from '../../src/work/bring/planBring';
import { dayLines } from '../../src/work/dayLine';
import { doingOf } from '../../src/work/kinds';
import { chanceOfNotSeen, notSeenWords, seenOf } from '../../src/work/seen';
import { sittingsOf } from '../../src/work/sittings';
import { hoursOfWeek, whenWorkedWords } from '../../src/work/whenWorked';
import { workSentence, type WorkToSay } from '../../src/work/workSentence';
import { spoken } from '../../src/words/sentence';

test('not seen is unusual where chance would do it less than one time in twenty', () => {
  const week = { from: '2026-11-17', to: '2026-11-23' };
  // Seen on 28 of 56 days: half of them, so that a week without is (1/2)^7.
  expect(chanceOfNotSeen(28, 7)).toBeCloseTo(0.0078, 4);
  expect(seenOf([], { days: 28, lastOn: '2026-11-14' }, week)).toMatchObject({
    isUnusual: true,
    lastOn: '2026-11-14',
  });
  expect(seenOf([], { days: 8, lastOn: '2026-11-14' }, week).isUnusual).toBe(false);
  expect(seenOf([], { days: 0, lastOn: null }, week).isUnusual).toBe(false);
  expect(seenOf([{ day: '2026-11-18', count: 2 }], { days: 28, lastOn: '2026-11-14' }, week)).toEqual({
    ...{ actions: 2, days: 1, lastOn: '2026-11-18', isUnusual: false },
  });
  const words = (lastOn: string | null) =>
    notSeenWords({ actions: 0, days: 0, lastOn, isUnusual: false }, '2026-11-23');
  expect([words('2026-11-14'), words('2026-11-22'), words(null)]).toEqual([
    'not seen for 9 days',
    'not seen since the day before',
    'never seen',
  ]);
});

test('the middle half is that of a spreadsheet’s inclusive quartiles', () => {
  expect(middleHalf([1, 2, 3, 4])).toEqual({ from: 1.75, to: 3.25 });
  expect(middleHalf([7, 15, 36, 39, 40, 41])).toEqual({ from: 20.25, to: 39.75 });
  expect(middleHalf([5])).toEqual({ from: 5, to: 5 });
  expect(middleHalf([])).toBeNull();
});

const at = (time: string, seconds: number | null = null) => ({ at: `2026-11-19T${time}:00`, seconds });

test('a pause of over half an hour ends a sitting; what an action is known to take counts', () => {
  expect(sittingsOf([at('16:00'), at('16:30'), at('17:01', 600), at('17:40')])).toEqual([
    { from: '2026-11-19T16:00:00', to: '2026-11-19T16:30:00', actions: 2, minutes: 30 },
    { from: '2026-11-19T17:01:00', to: '2026-11-19T17:40:00', actions: 2, minutes: 39 },
  ]);
  expect(sittingsOf([])).toEqual([]);
});

test('sittings hold every action once, and never last longer than the day’s span', () => {
  const minutes = fc.array(fc.nat(1439), { minLength: 1, maxLength: 40 });
  fc.assert(
    fc.property(minutes, (some) => {
      const actions = some
        .toSorted((a, b) => a - b)
        .map((minute) =>
          at(`${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`),
        );
      const sittings = sittingsOf(actions);
      expect(sittings.reduce((sum, one) => sum + one.actions, 0)).toBe(actions.length);
      expect(sittings.reduce((sum, one) => sum + one.minutes, 0)).toBeLessThanOrEqual(
        Math.max(...some) - Math.min(...some),
      );
    }),
  );
});

test('a day by the minute says pauses, and how long it was from opening to handing in', () => {
  const line = (time: string, kind: string, object = '') => ({ ...at(time), kind, object, place: 'Tasks' });
  const day = [line('16:02', 'opened', 'Log 3'), line('16:20', 'asked'), line('18:05', 'submitted', 'Log 3')];
  expect(
    dayLines(day).map((one) => (one.kind === 'pause' ? one.words : `${one.what} ${one.note}`.trim())),
  ).toEqual(['opened: Log 3', 'asked', 'a pause of 1 h 45', 'submitted: Log 3 2 h 03 after it was opened']);
});

test.each([
  ['Assignment submitted', null],
  ['Submitted an assignment', 'handed_in'],
  ['abgegeben', 'handed_in'],
  ['geöffnet', 'opened'],
  ['répondu', 'answered'],
  ['preguntado', 'asked'],
  ['moored', null],
])('what %s comes to', (kind, doing) => {
  expect(doingOf(kind)).toBe(doing);
});

test('when a class works, by weekday and hour', () => {
  // Thursday the 19th: two students at 16, one at 22.
  const week = hoursOfWeek([
    { day: '2026-11-19', hours: (1 << 16) | (1 << 22) },
    { day: '2026-11-19', hours: 1 << 16 },
    { day: '2026-11-20', hours: 1 << 9 },
  ]);
  expect([week[3]?.[16], week[3]?.[22], week[4]?.[9], week.flat().reduce((a, b) => a + b)]).toEqual([
    2, 1, 1, 4,
  ]);
  expect(whenWorkedWords(week)).toBe(
    '50\u00A0% of it between 14:00 and 17:00, most on Thursday and Friday, 25\u00A0% between 21:00 and 05:00',
  );
  expect(whenWorkedWords(hoursOfWeek([]))).toBe('');
});

const said: WorkToSay = {
  span: { before: 'In', words: 'the last 7 days' },
  ...{ kind: 'any kind', place: 'everywhere', students: 29 },
  notSeen: [
    { studentId: 'a', name: 'Nils' },
    { studentId: 'b', name: 'Ravi' },
  ],
  all: { on_time: 81, late: 9, missing: 10, waiting: 5, feedbackDaysMedian: 2.8 },
};

test('the page’s sentence, whole and in few words, and with nothing to say', () => {
  expect(spoken(workSentence(said))).toBe(
    'In the last 7 days 27 of 29 did something, everywhere, of any kind. Nils and Ravi were not seen. 81\u00A0% of work came on time, 9\u00A0% late and 10\u00A0% not at all; you handed it back after 3 days. 5 pieces wait for you.',
  );
  expect(spoken(workSentence({ ...said, short: true }))).toBe(
    'In the last 7 days 27 of 29 did something everywhere, any kind; Nils and Ravi not seen. 81\u00A0% of work on time; 5 wait for you.',
  );
  const none = { on_time: 0, late: 0, missing: 0, waiting: 0, feedbackDaysMedian: null };
  expect(spoken(workSentence({ ...said, notSeen: [], all: none }))).toBe(
    'In the last 7 days 29 of 29 did something, everywhere, of any kind.',
  );
  const five = ['a', 'b', 'c', 'd', 'e'].map((name) => ({ studentId: name, name }));
  expect(spoken(workSentence({ ...said, notSeen: five, all: none }))).toContain(
    'a, b and 3 more were not seen.',
  );
});

test('a file beside what is there: new, changed, the same; what it does not say stays', () => {
  const read = {
    pieces: [{ title: ' log  1', assignedAt: null, dueAt: null, points: 20 }],
    handIns: [
      {
        person: 0,
        piece: 0,
        status: 'handed_in' as const,
        handedInAt: null,
        handedBackAt: null,
        score: 15,
        line: 2,
      },
      {
        person: 1,
        piece: 0,
        status: 'missing' as const,
        handedInAt: null,
        handedBackAt: null,
        score: null,
        line: 3,
      },
      {
        person: 2,
        piece: 0,
        status: 'missing' as const,
        handedInAt: null,
        handedBackAt: null,
        score: null,
        line: 4,
      },
    ],
  };
  const work = {
    id: 'w',
    sectionId: 's',
    title: 'Log 1',
    assignedAt: null,
    dueAt: '2026-11-20T08:30:00',
    points: 20,
    studentId: null,
    removed: false,
  };
  const before = {
    id: 'w.a',
    workId: 'w',
    studentId: 'a',
    status: 'handed_in' as const,
    handedInAt: '2026-11-19T10:00:00',
    handedBackAt: null,
    ...{ score: 12, written: null, minutes: null },
    removed: false,
  };
  const here = {
    work: [work],
    handIns: { 'w.a': before },
    students: new Map([
      [0, 'a'],
      [1, 'b'],
    ]),
    newId: () => 'new',
  };
  const { sectionId: _section, removed: _removed, ...planned } = work;
  const plan = planBring(read, here);
  expect(plan.pieces).toEqual([{ ...planned, fate: 'same' }]);
  expect(
    plan.handIns.map(({ studentId, fate, handedInAt, score }) => [studentId, fate, handedInAt, score]),
  ).toEqual([
    ['a', 'changed', '2026-11-19T10:00:00', 15],
    ['b', 'new', null, null],
  ]);
  const again = planBring(read, { ...here, handIns: { 'w.a': { ...before, score: 15 } } });
  expect(again.handIns[0]?.fate).toBe('same');
  // A score in letters takes the place of a number, and the other way round; without either both stay.
  const lettered = (changed: object, kept: object) => {
    const handIns = { 'w.a': { ...before, ...kept } };
    const [planned] = planBring(
      { ...read, handIns: [{ ...read.handIns[0]!, ...changed }] },
      { ...here, handIns },
    ).handIns;
    return [planned?.score, planned?.written, planned?.fate];
  };
  expect(lettered({ score: null, written: 'B+' }, {})).toEqual([null, 'B+', 'changed']);
  expect(lettered({ score: 15 }, { score: null, written: 'B+' })).toEqual([15, null, 'changed']);
  expect(lettered({ score: null }, { score: null, written: 'B+' })).toEqual([null, 'B+', 'same']);
  const another = { title: 'Of another class', assignedAt: null, dueAt: null, points: null };
  const ofNobody = { person: 2, piece: 1, status: 'missing' as const, handedInAt: null, handedBackAt: null };
  const two = {
    pieces: [...read.pieces, another],
    handIns: [...read.handIns, { ...ofNobody, score: null, line: 5 }],
  };
  expect(planBring(two, here).pieces.map(({ title }) => title)).toEqual(['Log 1']);
  expect(planBring(read, { ...here, work: [] }).pieces[0]).toMatchObject({ id: 'new', fate: 'new' });
});
