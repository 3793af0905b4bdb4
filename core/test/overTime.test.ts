import { lessonsBetween } from '../src/calendar/lessons';
import { endOfSection, sectionNames, termToLookAt } from '../src/calendar/sectionTime';
import { nextTerm } from '../src/calendar/nextTerm';
import { applyEdits, invertEdits } from '../src/changes/edit';
import { calendarEdits } from '../src/calendar/edits';
import { peopleEdits } from '../src/people/edits';
import { emptyRecords, listOf, mergeRecords } from '../src/records/records';
import { rollBookOf } from '../src/attendance/roll/book';
import { studentTotals } from '../src/attendance/roll/totals';
import { enrolment, lesson, mark, meeting, section, standings, student, term } from './records';

const lookFor = (id: string, sectionId: string | null) => ({
  ...{ id, sectionId, name: id, tone: 'wanted' as const, measure: 'count' as const, sign: 'check' as const },
  ...{ position: 0, removed: false },
});

const before = mergeRecords(emptyRecords(), {
  term: [term()],
  section: [
    section({ taughtWithId: 'other', graceMinutes: 8 }),
    section({ id: 'other', name: 'Log-keeping' }),
    section({ id: 'over', name: 'Knots' }),
  ],
  meeting: [
    meeting(),
    meeting({ id: 'n', sectionId: 'other', weekday: 3 }),
    meeting({ id: 'ended', sectionId: 'over', validUntil: '2026-10-01' }),
  ],
  student: [student(), student({ id: 'b', givenName: 'Mei' })],
  enrolment: [
    enrolment({ cohort: 'Port watch' }),
    enrolment({ id: 'gone', studentId: 'b', endsOn: '2026-10-01' }),
  ],
  standing: standings,
  lookFor: [lookFor('own', 's'), lookFor('shared', null), lookFor('ofOver', 'over')],
  focus: [
    { id: 'f', name: 'Workshop', sectionId: 's', lookForIds: ['own', 'shared'], removed: false },
    { id: 'all', name: 'Talk', sectionId: null, lookForIds: ['shared'], removed: false },
  ],
  roomPlan: [
    {
      ...{ id: 'r', sectionId: 's', name: 'Benches', seats: [{ x: 0, y: 0 }], removed: false },
      furniture: [],
      roomId: null,
      places: [{ x: 0, y: 0, studentId: 'a' }],
    },
  ],
});

describe('another term from this one’s set-up', () => {
  const request = {
    term: { id: 't2', name: 'Spring', startsOn: '2027-01-11', endsOn: '2027-03-26' },
    sectionIds: ['s', 'other'],
    withStudents: true,
    lastDay: '2026-12-04',
  };
  let count = 0;
  const payload = nextTerm(request, before, () => `new${(count += 1)}`);
  const edits = calendarEdits['term.next'](payload);
  const after = applyEdits(before, edits);
  const lessonsOf = (from: string, to: string) =>
    lessonsBetween(
      {
        terms: listOf(after, 'term'),
        daysOff: [],
        meetings: listOf(after, 'meeting'),
        lessons: listOf(after, 'lesson'),
      },
      from,
      to,
    ).map(({ sectionId, date }) => `${after.section[sectionId]?.name} ${sectionId} ${date}`);

  test('classes begin anew with their rules, taught together as before; the old ones end with the old term', () => {
    expect(
      payload.sections.map(({ id, name, graceMinutes, taughtWithId }) => [
        id,
        name,
        graceMinutes,
        taughtWithId,
      ]),
    ).toEqual([
      ['new1', 'Boat Workshop', 8, 'new2'],
      ['new2', 'Log-keeping', null, null],
    ]);
    expect(lessonsOf('2026-11-30', '2026-12-04')).toEqual([
      'Boat Workshop s 2026-11-30',
      'Log-keeping other 2026-12-02',
    ]);
    expect(lessonsOf('2027-01-11', '2027-01-17')).toEqual([
      'Boat Workshop new1 2027-01-11',
      'Log-keeping new2 2027-01-13',
    ]);
  });
  test('who is still in a class comes along, with the cohort; who left does not', () => {
    const enrolments = listOf(after, 'enrolment').filter(({ sectionId }) => sectionId === 'new1');
    expect(
      enrolments.map(({ studentId, cohort, startsOn, endsOn }) => [studentId, cohort, startsOn, endsOn]),
    ).toEqual([['a', 'Port watch', '2027-01-11', null]]);
    expect(after.enrolment['ea']?.endsOn).toBe('2026-12-04');
    expect(after.enrolment['gone']?.endsOn).toBe('2026-10-01');
    expect(nextTerm({ ...request, withStudents: false }, before, () => 'x').enrolments).toEqual([]);
  });
  test('look-fors and sets of a class, and how its room stands, come along; what all share stays one', () => {
    const mine = <T extends { sectionId: string | null }>(rows: T[]) =>
      rows.filter(({ sectionId }) => sectionId === 'new1');
    const [own] = mine(listOf(after, 'lookFor'));
    expect(own?.name).toBe('own');
    expect(own?.id).not.toBe('own');
    expect(listOf(after, 'lookFor')).toHaveLength(4);
    expect(mine(listOf(after, 'focus')).map(({ lookForIds }) => lookForIds)).toEqual([[own?.id, 'shared']]);
    expect(mine(listOf(after, 'roomPlan')).map(({ name, places }) => [name, places])).toEqual([
      ['Benches', [{ x: 0, y: 0, studentId: 'a' }]],
    ]);
    const empty = nextTerm({ ...request, withStudents: false }, before, () => 'x');
    expect(empty.roomPlans.map(({ places }) => places)).toEqual([[]]);
  });
  test('it is taken back whole', () => {
    const back = applyEdits(after, invertEdits(before, edits));
    for (const table of ['section', 'meeting', 'enrolment', 'term', 'lookFor', 'focus', 'roomPlan'] as const)
      expect(listOf(back, table)).toEqual(listOf(before, table));
  });
});

test('a student who moves to another class counts in each for the own time', () => {
  const edits = peopleEdits['enrolment.move']({
    id: 'ea',
    endsOn: '2026-11-08',
    to: { id: 'e2', sectionId: 'other', studentId: 'a', cohort: '', startsOn: '2026-11-09' },
  });
  const after = applyEdits(before, edits);
  // Four Mondays in each class; away on the 2nd in the old one and on the 16th in both.
  const dates = ['2026-11-02', '2026-11-09', '2026-11-16', '2026-11-23'];
  const lessons = (sectionId: string) =>
    dates.map((date) => lesson({ id: `${sectionId}.${date}`, sectionId, date }));
  const away = ['s.2026-11-02', 's.2026-11-16', 'other.2026-11-16'];
  const book = rollBookOf({
    marks: away.map((lessonId) => mark({ lessonId, standingId: 'A' })),
    standings,
    sections: [],
    school: undefined,
  });
  const totals = (id: string, sectionId: string) => {
    const found = after.enrolment[id];
    if (!found) throw new Error(`No enrolment ${id}`);
    const sum = studentTotals(found, lessons(sectionId), book, { date: '2026-11-30', time: '12:00' });
    return [sum.taken, sum.away, sum.percent];
  };
  expect(totals('ea', 's')).toEqual([1, 1, 0]);
  expect(totals('e2', 'other')).toEqual([3, 1, (2 / 3) * 100]);
});

describe('classes of two terms', () => {
  const two = mergeRecords(emptyRecords(), {
    term: [
      term({ id: 't1', name: 'Autumn', startsOn: '2026-08-24', endsOn: '2026-12-04' }),
      term({ id: 't2', name: 'Spring', startsOn: '2027-01-11', endsOn: '2027-03-26' }),
    ],
    section: [
      section(),
      section({ id: 'new' }),
      section({ id: 'twin' }),
      section({ id: 'other', name: 'Knots' }),
    ],
    meeting: [
      meeting({ validUntil: '2026-12-04' }),
      meeting({ id: 'n', sectionId: 'new', validFrom: '2027-01-11' }),
      meeting({ id: 'w', sectionId: 'twin', validFrom: '2027-01-11' }),
    ],
    enrolment: [
      enrolment({ startsOn: '2026-08-24', endsOn: '2026-12-04' }),
      enrolment({ id: 'e2', sectionId: 'new', startsOn: '2027-01-11', endsOn: null }),
    ],
  });
  const name = section().name;

  test('of one name are told apart by their terms, then by a number; a name of its own stays', () => {
    expect(sectionNames(two)).toEqual({
      s: `${name} · Autumn`,
      new: `${name} · Spring`,
      twin: `${name} · Spring (2)`,
      other: 'Knots',
    });
  });

  test.each([
    ['s', '2027-01-12', '2026-12-04'],
    ['s', '2026-12-04', null],
    ['new', '2027-01-12', null],
    ['other', '2027-01-12', null],
  ])('%s, seen on %s, ended on %s', (id, today, ended) => {
    expect(endOfSection(two, id, today)).toBe(ended);
  });

  test.each([
    ['2026-10-01', 't1'],
    ['2026-12-24', 't1'],
    ['2027-02-01', 't2'],
    ['2026-01-01', 't1'],
  ])('on %s the term to look at is %s, never one that has yet to begin', (date, id) => {
    expect(termToLookAt(listOf(two, 'term'), date)?.id).toBe(id);
  });
});
