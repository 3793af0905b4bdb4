import fc from 'fast-check';
import { attendanceSentence } from '../src/attendance/attendanceSentence';
import { countsSentence, type CountsToSay } from '../src/observation/tallies/countsSentence';
import { classSentence, type ClassToSay } from '../src/watch/classSentence';
import type { Lately } from '../src/watch/signals/lately';
import { latelyOf } from '../src/watch/signals/lately';
import { firstReason } from '../src/watch/signals/firstReason';
import { observe } from '../src/watch/signals/observe';
import { studentSentence } from '../src/watch/studentSentence';
import { watchSentence } from '../src/watch/watchSentence';
import { spoken } from '../src/words/sentence';
import { classArchive } from './signals/classes';

const usual: Lately = { taken: 10, missed: 0, observed: 5, heard: 2, due: 0, handedIn: 0, onTime: 0 };
const people = ['Dario', 'Kaia', 'Emre', 'Jun'].map((name) => ({ studentId: name, name }));
const say = (news: Partial<ClassToSay>) =>
  spoken(classSentence({ lately: [usual], needs: [], untaken: 0, next: '', ...news })).replaceAll(
    '\u00A0',
    ' ',
  );

test.each<[Partial<ClassToSay>, string]>([
  [{}, 'In the last four weeks 100 % were there. Nobody needs you.'],
  [{ lately: [], untaken: 0 }, 'No lesson was held in the last four weeks.'],
  [
    { lately: [], next: 'today 10:40' },
    'No lesson was held in the last four weeks. Next lesson today 10:40.',
  ],
  [{ next: 'now' }, 'In the last four weeks 100 % were there. Nobody needs you. The lesson is on now.'],
  [{ next: 'Mon 9:00' }, 'In the last four weeks 100 % were there. Nobody needs you. Next lesson Mon 9:00.'],
  [
    { lately: [], untaken: 1 },
    'No roll was taken in the last four weeks. Nobody needs you; 1 lesson was not taken.',
  ],
  [{ needs: people.slice(0, 1) }, 'In the last four weeks 100 % were there. Dario needs you.'],
  [{ needs: people.slice(0, 2) }, 'In the last four weeks 100 % were there. Dario and Kaia need you.'],
  [{ needs: people.slice(0, 3) }, 'In the last four weeks 100 % were there. Dario, Kaia and Emre need you.'],
  [{ needs: people }, 'In the last four weeks 100 % were there. Dario, Kaia and 2 others need you.'],
  [
    {
      lately: [
        { ...usual, missed: 1, heard: 0, due: 4, handedIn: 4, onTime: 3 },
        { ...usual, taken: 190, observed: 0, heard: 0 },
      ],
      untaken: 2,
    },
    // 199 of 200 were there: not all of them. Who was never looked at was not silent.
    'In the last four weeks 99 % were there. Nobody needs you; 1 was not heard; 75 % of work came on time; 2 lessons were not taken.',
  ],
])('%j', (news, words) => {
  expect(say(news)).toBe(words);
});

test('every name in it leads to somebody, and it always ends as a sentence', () => {
  const count = fc.nat({ max: 40 });
  const lately = fc.record({
    ...{ taken: count, missed: fc.constant(0), observed: count, heard: count },
    ...{ due: count, handedIn: count, onTime: fc.constant(0) },
  });
  fc.assert(
    fc.property(fc.array(lately), fc.subarray(people), count, (all, needs, untaken) => {
      const sentence = classSentence({ lately: all, needs, untaken, next: '' });
      const led = sentence.flatMap((part) =>
        typeof part !== 'string' && part.to.kind === 'student' ? [part.to.studentId] : [],
      );
      expect(needs.slice(0, led.length).map(({ studentId }) => studentId)).toEqual(led);
      expect(spoken(sentence)).toMatch(/^[A-Z].*\.$/);
    }),
  );
});

test('lately counts the last four weeks and nothing before them', () => {
  const archive = classArchive({ lessons: 60, students: 3, how: (i) => ({ away: i === 1 }) });
  const [series] = observe(archive, { asOf: '2026-12-31' });
  if (!series) throw new Error('There is no class.');
  const last = series.lessons.at(-1)?.date ?? '';
  const within = series.lessons.filter(({ date }) => Date.parse(last) - Date.parse(date) < 28 * 86_400_000);
  const of = latelyOf(series, last);
  expect(within.length).toBeLessThan(series.lessons.length);
  expect(of(1)).toMatchObject({ taken: within.length, missed: within.length });
  expect(of(0)).toMatchObject({ taken: within.length, missed: 0, due: 0 });
});

test.each([
  [[0, 0, 0, 0], '', 'Nobody needs you.'],
  [[1, 0, 0, 0], '', '1 student needs you.'],
  [
    [6, 3, 0, 1],
    'all classes',
    '6 students need you in all classes. 3 are over a line and 1 is as usual again.',
  ],
  [
    [0, 2, 1, 3],
    'Boats',
    'Nobody needs you in Boats. 2 are over a line, 1 is put aside and 3 are as usual again.',
  ],
])('%j on Watch', ([concerns = 0, over_a_line = 0, aside = 0, cleared = 0], where, words) => {
  expect(spoken(watchSentence({ concerns, over_a_line, aside, cleared }, where))).toBe(words);
});

test.each([
  [[{ taken: 10, away: 1 }], 0, 'In November 90 % were there. Shown by month.'],
  [
    [
      { taken: 300, away: 1 },
      { taken: 0, away: 0 },
    ],
    1,
    'In November 99 % were there; 1 lesson was not taken. Shown by month.',
  ],
  [[{ taken: 0, away: 0 }], 3, 'In November 3 lessons were not taken. Shown by month.'],
  [[], 0, 'In November no lesson was held. Shown by month.'],
  [null, 2, 'Attendance in November. Shown by month.'],
])('attendance %j, %i not taken', (totals, untaken, words) => {
  const sentence = attendanceSentence({ span: 'November', shown: 'by month', untaken, totals });
  expect(spoken(sentence).replaceAll('\u00A0', ' ')).toBe(words);
});

test.each<[Partial<CountsToSay>, string]>([
  [
    {},
    'Asks in Autumn: 12 times in 5 observed lessons, 2.4 an hour of a student. By week, sums, as a chart.',
  ],
  [
    { student: 'Dario', perHour: null, amount: 1, lessons: 1 },
    'Asks in Autumn of Dario: 1 time in 1 observed lesson. By week, sums, as a chart.',
  ],
  [
    { lookFor: { name: 'On task', measure: 'seconds' }, amount: 90, perHour: 60 },
    'On task in Autumn: 1 min 30 s in 5 observed lessons, 1 min an hour of a student. By week, sums, as a chart.',
  ],
])('counts %j', (news, words) => {
  const said = countsSentence({
    lookFor: { name: 'Asks', measure: 'count' },
    ...{ span: 'Autumn', student: null, amount: 12, perHour: 2.41, lessons: 5 },
    ...{ grouping: 'By week', numbers: 'sums', picture: 'chart' },
    ...news,
  });
  expect(spoken(said)).toBe(words);
});

test.each([
  [
    { taken: 0, missed: 0, late: 0, notes: 0, concerns: 0 },
    'No lesson was taken yet; no notes; nothing stands out.',
  ],
  [{ taken: 1, missed: 0, late: 0, notes: 1, concerns: 1 }, 'There in 1 of 1 lesson; 1 note.'],
  [{ taken: 1, missed: 0, late: 0, notes: 1, concerns: null }, 'There in 1 of 1 lesson; 1 note.'],
  [
    { taken: 40, missed: 3, late: 2, notes: 0, concerns: 0 },
    'There in 37 of 40 lessons, late in 2; no notes; nothing stands out.',
  ],
])('a student %j', (said, words) => {
  expect(spoken(studentSentence(said))).toBe(words);
});

test.each([
  [
    'Since 6 November Yusra has missed seven of eight lessons. Also missed 8 of 46.',
    'Since 6 November Yusra has missed seven of eight lessons.',
  ],
  ['Odalys was heard once.', 'Odalys was heard once.'],
])('the first reason of %j', (sentence, words) => {
  expect(firstReason(sentence)).toBe(words);
});
