import fc from 'fast-check';
import { lessonsBetween } from '../src/calendar/lessons';
import { applyEdits, invertEdits, type Edit } from '../src/changes/edit';
import { emptyRecords, type Records } from '../src/records/records';
import { rollBookOf } from '../src/attendance/roll/book';
import { rollEdits } from '../src/attendance/roll/edits';
import { presenceOf } from '../src/attendance/roll/presence';
import { defaultRules, effectiveStandings, type RollRules } from '../src/attendance/roll/rules';
import { studentTotals, totalsOf } from '../src/attendance/roll/totals';
import { presenceSpoken } from '../src/attendance/roll/words';
import { enrolment, lesson, mark, meeting, section, standings, standingsById, term } from './records';

const rules = (fields: Partial<RollRules>): RollRules => ({ ...defaultRules, ...fields });

describe('rules of a class (10:40 to 11:30)', () => {
  test.each([
    // rules, standing, arrived, left -> away, late, credit, minutes there, in words
    [{ graceMinutes: 10 }, null, '10:49', null, false, false, 1, 50, 'here'],
    [{ awayFromShare: 0.5 }, 'L', '11:04', null, false, true, 1, 26, 'late, 11:04, 24 minutes'],
    [
      { awayFromShare: 0.5 },
      'L',
      '11:05',
      null,
      true,
      false,
      0,
      25,
      'late, 11:05, counts as away, 25 minutes',
    ],
    [
      { awayFromShare: 0.5 },
      'L',
      '10:55',
      '11:20',
      true,
      false,
      0,
      25,
      'late, 10:55, left 11:20, counts as away, 25 minutes',
    ],
    [{ creditBy: 'minutes' }, 'L', '10:50', null, false, true, 0.8, 40, 'late, 10:50, 10 minutes'],
    [{ creditBy: 'minutes' }, 'A', null, null, true, false, 0, 0, 'away'],
    [
      { creditBy: 'minutes', awayFromShare: 0.5 },
      'E',
      null,
      '10:50',
      true,
      false,
      0.2,
      10,
      'left 10:50, counts as away, 40 minutes',
    ],
  ] as const)('%j %s %s %s', (own, code, arrivedAt, leftAt, away, late, credit, there, words) => {
    const standing = code ? standingsById[code] : undefined;
    const p = presenceOf(lesson(), { arrivedAt, leftAt }, standing, rules(own));
    expect([p.away, p.late, p.minutesThere]).toEqual([away, late, there]);
    expect(p.credit).toBeCloseTo(credit, 9);
    expect(presenceSpoken(p, { arrivedAt, leftAt }, standing)).toBe(words);
  });
  test('three lates are one absence in a term, though no month has three', () => {
    const month = { ...totalsOf([]), lessons: 10, taken: 10, late: 2, here: 8, marked: 10 };
    const own = rules({ latesPerAbsence: 3 });
    expect(totalsOf([month], own)).toMatchObject({ awayByLates: 0, credit: 10, percent: 100 });
    expect(totalsOf([month, month], own)).toMatchObject({ awayByLates: 1, credit: 19, percent: 95 });
  });
  test('days in halves: 50 minutes are half a day where a half day is up to 60, two lessons are a whole one', () => {
    const held = [
      lesson(),
      lesson({ id: 'b', startsAt: '13:00', endsAt: '13:50' }),
      lesson({ id: 'c', date: '2026-11-24' }),
      lesson({ id: 'd', date: '2026-11-25' }),
    ];
    const book = rollBookOf({
      marks: [mark({ lessonId: 'd', standingId: 'A' })],
      standings,
      sections: [section({ halfDayMinutes: 60 })],
      school: undefined,
    });
    const totals = studentTotals(enrolment(), held, book, { date: '2026-12-31', time: '00:00' });
    expect([totals.days, totals.minutesThere]).toEqual([1.5, 150]);
  });
});

describe('the vocabulary', () => {
  const marked = ['L', 'A', 'X', null].map((standingId, day) =>
    mark({ lessonId: `l${day}`, standingId, arrivedAt: standingId === 'L' ? '10:50' : null }),
  );
  const held = marked.map((_, day) => lesson({ id: `l${day}`, date: `2026-11-0${day + 2}` }));
  const before = applyEdits(
    emptyRecords(),
    standings.map(({ id, removed: _, ...values }): Edit => ({ op: 'make', table: 'standing', id, values })),
  );
  const totalsIn = (records: Records) =>
    studentTotals(
      enrolment(),
      held,
      rollBookOf({
        marks: marked,
        standings: Object.values(records.standing),
        sections: [],
        school: undefined,
      }),
      { date: '2026-12-31', time: '00:00' },
    );
  test('renaming, re-lettering, ordering and retiring change no total, whatever the words', () => {
    const { id: _id, removed: _removed, mergedIntoId: _merged, ...fields } = standingsById['A']!;
    fc.assert(
      fc.property(
        fc.string({ minLength: 1 }),
        fc.string({ minLength: 1 }),
        fc.boolean(),
        (code, name, retired) => {
          const after = applyEdits(before, [
            ...rollEdits['standing.set']({ id: 'A', ...fields, code, name }),
            ...rollEdits['standing.retire']({ id: 'L', retired }),
            ...rollEdits['standing.order']({ ids: ['S', 'X', 'A', 'E', 'L', 'H'] }),
          ]);
          expect(totalsIn(after)).toEqual(totalsIn(before));
        },
      ),
    );
  });
  test('merging moves the marks to the other meaning, and is taken back exactly', () => {
    const edits = rollEdits['standing.merge']({ id: 'X', intoId: 'A' });
    const merged = applyEdits(before, edits);
    expect(totalsIn(before)).toMatchObject({ away: 2, excused: 1 });
    expect(totalsIn(merged)).toMatchObject({ away: 2, excused: 0 });
    expect(applyEdits(merged, invertEdits(before, edits))).toEqual(before);
  });
  test('a chain of merges ends at its end; a circle ends somewhere', () => {
    const chain = standings.map((s) => ({
      ...s,
      mergedIntoId: { L: 'A', A: 'X', X: 'A' }[s.id] ?? null,
    }));
    expect(effectiveStandings(chain)['S']?.id).toBe('S');
    expect(['A', 'X']).toContain(effectiveStandings(chain)['L']?.id);
  });
});

describe('lessons out of their place', () => {
  const calendar = (lessons = [lesson()]) => ({
    terms: [term()],
    daysOff: [],
    meetings: [meeting()],
    lessons,
  });
  const dates = (lessons: ReturnType<typeof lesson>[]) =>
    lessonsBetween(calendar(lessons), '2026-11-16', '2026-11-29').map((l) => `${l.date} ${l.id}`);
  test('moved: on its new date, and not a second time on the old one', () => {
    const moved = lesson({ id: 'm.2026-11-16', date: '2026-11-18', takenAt: null });
    expect(dates([moved])).toEqual(['2026-11-18 m.2026-11-16', '2026-11-23 m.2026-11-23']);
  });
  test('moved out of what is looked at: not there', () => {
    expect(dates([lesson({ id: 'm.2026-11-16', date: '2026-12-01' })])).toEqual(['2026-11-23 m.2026-11-23']);
  });
  test('removed: gone; extra: there', () => {
    const extra = lesson({ id: 'extra', date: '2026-11-21', takenAt: null });
    expect(dates([lesson({ id: 'm.2026-11-16', date: '2026-11-16', removed: true }), extra])).toEqual([
      '2026-11-21 extra',
      '2026-11-23 m.2026-11-23',
    ]);
  });
});
