import fc from 'fast-check';
import { feedbackDays, feedbackSchoolDays, isWaiting } from '../../src/work/feedback';
import { statusOf, type HandInFacts, type PieceStatus } from '../../src/work/pieceStatus';
import { knownScore, scorePercent, weightedPercent } from '../../src/work/scores';
import { schoolDaysOf } from '../../src/calendar/schoolDays';

const due = '2026-11-20T08:30:00';
const handed = (facts: Partial<HandInFacts>): HandInFacts => ({
  status: 'handed_in',
  handedInAt: null,
  handedBackAt: null,
  score: null,
  ...facts,
});

test.each<[string, string | null, Partial<HandInFacts> | undefined, string, number, PieceStatus]>([
  ['before it is due', due, { handedInAt: '2026-11-19T20:00:00' }, '2026-11-21T00:00:00', 0, 'on_time'],
  ['at the very moment', due, { handedInAt: '2026-11-20T08:30' }, '2026-11-21T00:00:00', 0, 'on_time'],
  ['a second after', due, { handedInAt: '2026-11-20T08:30:01' }, '2026-11-21T00:00:00', 0, 'late'],
  ['within the grace', due, { handedInAt: '2026-11-20T08:45:00' }, '2026-11-21T00:00:00', 15, 'on_time'],
  ['after the grace', due, { handedInAt: '2026-11-20T08:45:01' }, '2026-11-21T00:00:00', 15, 'late'],
  [
    'a grace over midnight',
    '2026-11-20T23:59',
    { handedInAt: '2026-11-21T00:04' },
    '2026-11-22',
    5,
    'on_time',
  ],
  ['at a time not known', due, {}, '2026-11-21T00:00:00', 0, 'on_time'],
  ['late, seen from before', due, { handedInAt: '2026-11-22T09:00:00' }, '2026-11-21T00:00:00', 0, 'missing'],
  [
    'early, seen from before',
    due,
    { handedInAt: '2026-11-19T09:00:00' },
    '2026-11-18T00:00:00',
    0,
    'not_due',
  ],
  ['known and not handed in', due, { status: 'missing' }, '2026-11-21T00:00:00', 0, 'missing'],
  [
    'said to be missing, came at a time',
    due,
    { status: 'missing', handedInAt: '2026-11-20T09:00' },
    '2026-11-21',
    0,
    'late',
  ],
  ['missing, but not due yet', due, { status: 'missing' }, '2026-11-20T08:29:59', 0, 'not_due'],
  ['due in this second', due, { status: 'missing' }, '2026-11-20T08:30:00', 0, 'missing'],
  ['excused, due or not', due, { status: 'excused' }, '2026-11-01T00:00:00', 0, 'excused'],
  ['nothing known, due', due, undefined, '2026-11-21T00:00:00', 0, 'unknown'],
  ['nothing known, not due', due, undefined, '2026-11-19T00:00:00', 0, 'not_due'],
  [
    'without a due time, handed in',
    null,
    { handedInAt: '2027-01-01T00:00:00' },
    '2027-01-02T00:00:00',
    0,
    'on_time',
  ],
  ['without a due time, not handed in', null, { status: 'missing' }, '2027-01-02T00:00:00', 0, 'not_due'],
])('%s', (_what, dueAt, facts, asOf, grace, expected) => {
  expect(statusOf(dueAt, facts && handed(facts), asOf, grace)).toBe(expected);
});

test('what was known of a piece stays so as time goes on, but for what was missing or not due', () => {
  const moment = fc
    .integer({ min: 0, max: 40 * 24 * 60 })
    .map((minutes) => new Date(Date.UTC(2026, 10, 1) + minutes * 60_000).toISOString().slice(0, 19));
  fc.assert(
    fc.property(moment, fc.option(moment), moment, moment, (dueAt, handedInAt, a, b) => {
      const facts = handed({ status: handedInAt === null ? 'missing' : 'handed_in', handedInAt });
      const [early = a, later = b] = [a, b].sort();
      const before = statusOf(dueAt, facts, early);
      const after = statusOf(dueAt, facts, later);
      if (before === 'on_time' || before === 'late') expect(after).toBe(before);
      if (before === 'missing') expect(['missing', 'late']).toContain(after);
    }),
  );
});

test('feedback takes as long as it took, also in the night in which the clocks change', () => {
  const night = handed({ handedInAt: '2026-10-24T12:00:00', handedBackAt: '2026-10-25T12:00:00' });
  expect(feedbackDays(night, '2026-11-01T00:00:00', 'Europe/Dublin')).toBeCloseTo(25 / 24, 10);
  expect(feedbackDays(night, '2026-11-01T00:00:00', 'UTC')).toBe(1);
  expect(feedbackDays(night, '2026-10-25T11:59:59', 'UTC')).toBeNull();
  expect(isWaiting(night, '2026-10-25T11:59:59')).toBe(true);
  expect(isWaiting(night, '2026-10-25T12:00:00')).toBe(false);
  expect(isWaiting(night, '2026-10-24T11:59:59')).toBe(false);
});

test('in school days a weekend does not count', () => {
  const isSchoolDay = schoolDaysOf({ terms: [], daysOff: [], meetings: [] });
  const took = (from: string, to: string) =>
    feedbackSchoolDays(handed({ handedInAt: from, handedBackAt: to }), '2026-11-22T23:59:59', isSchoolDay);
  // Friday to Monday, known by then or not yet; to the same Friday, Friday to Saturday.
  expect(took('2026-11-13T08:00:00', '2026-11-16T08:00:00')).toBe(1);
  expect(took('2026-11-20T08:00:00', '2026-11-23T08:00:00')).toBeNull();
  expect(took('2026-11-20T08:00:00', '2026-11-20T16:00:00')).toBe(0);
  expect(took('2026-11-20T08:00:00', '2026-11-21T08:00:00')).toBe(0);
});

test('scores are known when the work is back; the average gives each piece the weight of its points', () => {
  const back = handed({ handedInAt: '2026-11-19T08:00', handedBackAt: '2026-11-23T08:00', score: 15 });
  expect(knownScore(back, '2026-11-22T00:00:00')).toBeNull();
  expect(knownScore(back, '2026-11-23T08:00:00')).toBe(15);
  expect(knownScore(handed({ score: 3 }), '2026-11-01T00:00:00')).toBe(3);
  expect(scorePercent(15, 20)).toBe(75);
  expect([scorePercent(15, 0), scorePercent(15, null), scorePercent(null, 20)]).toEqual([null, null, null]);
  const pieces = [
    { score: 15, points: 20 },
    { score: 2, points: 5 },
    { score: null, points: 5 },
    { score: 4, points: null },
  ];
  expect(weightedPercent(pieces)).toBe(68);
  expect(weightedPercent([])).toBeNull();
});
