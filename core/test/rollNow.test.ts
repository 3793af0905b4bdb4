import fc from 'fast-check';
import { lessonFrom } from '../src/calendar/lessonFrom';
import { addDays, minutesOf } from '../src/calendar/localTime';
import { proposalWords, proposeTimetable } from '../src/calendar/proposeTimetable';
import { displayName } from '../src/people/names';
import { readPasted } from '../src/people/roster/pasted';
import { presenceOf } from '../src/attendance/roll/presence';
import { tileWords } from '../src/attendance/roll/words';
import type { Lesson, Meeting, Student } from '../src/records/schema';
import { lesson as aLesson, standingsById } from './records';

const nobody = { students: [], guardians: [], enrolments: [] };

describe('who is in a class, as it is typed or pasted', () => {
  test.each([
    ['3', ['Student 1', 'Student 2', 'Student 3']],
    [' 1 ', ['Student 1']],
    ['Ana Lima\nBo Chen', ['Ana Lima', 'Bo Chen']],
    ['Ana Lima, Bo Chen, Cleo Diaz', ['Ana Lima', 'Bo Chen', 'Cleo Diaz']],
    ['Given name\tFamily name\nAna\tLima\nBo\tChen', ['Ana Lima', 'Bo Chen']],
    ['Lima, Ana\nChen, Bo\nDiaz, Cleo', ['Ana Lima', 'Bo Chen', 'Cleo Diaz']],
    ['Ana\n\nBo\nCleo\n', ['Ana', 'Bo', 'Cleo']],
    ['P01\nP02\nKid 7', ['P01', 'P02', 'Kid 7']],
    ['Total: 30', []],
    ['', []],
    ['  \n ', []],
    ['0', []],
    ['61', []],
    ['1200', []],
  ])('%j', (text, names) => {
    expect(readPasted(text, 's', nobody).students.map(displayName)).toEqual(names);
  });

  test('a line that is nobody, and a name that stands twice, are left out with the reason', () => {
    const { students, left } = readPasted('Ana Lima\nBo Chen\nAna Lima\nTotal: 30', 's', nobody);
    expect(students.map(displayName)).toEqual(['Ana Lima', 'Bo Chen']);
    expect(left.map(({ text, reason }) => [text, reason])).toEqual([
      ['Ana Lima', 'the same name stands on line 1'],
      ['Total: 30', 'this does not look like a person'],
    ]);
  });

  test('whoever is there already is the same person', () => {
    const ana = { id: 'a', givenName: 'Ana', familyName: 'Lima', called: '', email: '', removed: false };
    const people = { ...nobody, students: [{ ...ana, grade: '', schoolId: '' } as Student] };
    const { students } = readPasted('Ana Lima\nBo Chen', 's', people);
    expect(students.map(({ studentId }) => studentId)).toEqual(['a', null]);
  });

  test('whatever is typed is read without breaking; a line of names comes in or is left out, never both', () => {
    const line = fc.stringMatching(/^[A-Za-zÀ-ž' .0-9-]{0,24}$/);
    fc.assert(
      fc.property(fc.array(line, { maxLength: 12 }), (lines) => {
        const { students, left } = readPasted(lines.join('\n'), 's', nobody);
        const read = [...students, ...left].map((row) => row.line);
        if (left.length > 0) expect(new Set(read).size).toBe(read.length);
      }),
    );
    fc.assert(fc.property(fc.string({ maxLength: 200 }), (text) => void readPasted(text, 's', nobody)));
  });
});

test.each([
  ['09:02', null, '09:00', '09:50'],
  ['09:05', { startsAt: '08:00', endsAt: '09:30' }, '09:05', '10:35'],
  ['23:40', null, '23:40', '23:59'],
  ['23:59', null, '23:55', '23:59'],
  ['00:00', null, '00:00', '00:50'],
])('a lesson that begins at %s', (time, latest, startsAt, endsAt) => {
  expect(lessonFrom(time, latest)).toEqual({ startsAt, endsAt });
});

test('a lesson that begins now has begun, and lies in its day', () => {
  const minute = fc.integer({ min: 0, max: 1439 });
  const written = (at: number) =>
    `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
  fc.assert(
    fc.property(minute, fc.integer({ min: 1, max: 400 }), (at, length) => {
      const latest = { startsAt: '00:00', endsAt: written(length) };
      const { startsAt, endsAt } = lessonFrom(written(at), latest);
      expect(minutesOf(startsAt)).toBeLessThanOrEqual(at);
      expect(startsAt < endsAt && endsAt <= '23:59').toBe(true);
    }),
  );
});

describe('when a class may meet every week', () => {
  const today = '2026-11-25';
  const lesson = (date: string, startsAt: string, more: Partial<Lesson> = {}): Lesson => ({
    ...{ id: `${date}${startsAt}`, sectionId: 's', date, startsAt, endsAt: `${startsAt.slice(0, 2)}:55` },
    ...{ label: '', setAside: false, takenAt: `${date}T09:00:00Z`, removed: false, ...more },
  });
  const words = (lessons: Lesson[], meetings: Meeting[] = []) =>
    proposalWords(proposeTimetable(lessons, meetings, 's', today));
  const [monday, wednesday] = [lesson('2026-11-23', '09:02'), lesson('2026-11-25', '09:01')];
  const meeting = { id: 'm', sectionId: 's', weekday: 3, startsAt: '09:00', endsAt: '09:50', removed: false };

  test.each<[string, Lesson[], string]>([
    ['two days at one time', [monday, wednesday], 'Mon and Wed at 9:00'],
    ['two times', [monday, lesson('2026-11-24', '10:31')], 'Mon at 9:00 and Tue at 10:30'],
    ['three days', [monday, wednesday, lesson('2026-11-20', '08:59')], 'Mon, Wed and Fri at 9:00'],
    ['the same day twice, a little later', [monday, lesson('2026-11-16', '09:20')], 'Mon at 9:00'],
    ['one day only', [monday, lesson('2026-11-23', '13:00')], ''],
    ['too long ago', [monday, lesson('2026-10-05', '09:00')], ''],
    ['not taken', [monday, { ...wednesday, takenAt: null }], ''],
    ['another class', [monday, { ...wednesday, sectionId: 't' }], ''],
    ['set aside', [monday, { ...wednesday, setAside: true }], ''],
    ['of the timetable', [monday, { ...wednesday, id: `m.${wednesday.date}` }], ''],
    ['moved from another day', [monday, { ...wednesday, id: 'm.2026-11-24' }], ''],
  ])('%s', (_what, lessons, proposed) => {
    expect(words(lessons)).toBe(proposed);
  });

  test('a time that the timetable has is not proposed again', () => {
    const valid = { validFrom: null, validUntil: null, everyOtherFrom: null };
    const lessons = [monday, wednesday, lesson('2026-11-20', '08:59')];
    expect(words(lessons, [{ ...meeting, ...valid }])).toBe('Mon and Fri at 9:00');
    expect(words(lessons, [{ ...meeting, ...valid, validUntil: addDays(today, -1) }])).toBe(
      'Mon, Wed and Fri at 9:00',
    );
  });
});

test.each([
  [null, null, null, ''],
  ['L', null, null, 'late'],
  ['L', '10:48', null, '10:48'],
  ['E', null, '11:11', 'left 11:11'],
  ['E', null, null, 'left early'],
  ['L', '10:48', '11:20', '10:48 to 11:20'],
  ['A', null, null, 'away'],
  ['X', null, null, 'excused'],
  ['S', null, null, 'set aside'],
])('on a tile, %s %s %s is “%s”', (code, arrivedAt, leftAt, words) => {
  const standing = code ? standingsById[code] : undefined;
  const times = { arrivedAt, leftAt };
  expect(tileWords(presenceOf(aLesson(), times, standing), times, standing)).toBe(words);
});
