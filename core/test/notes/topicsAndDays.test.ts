import fc from 'fast-check';
import { findTopics, topicIndex } from '../../src/notes/findTopics';
import { nextSchoolDay, schoolDays } from '../../src/notes/schoolDays';
import { wordsOf } from '../../src/notes/words';
import { addDays } from '../../src/calendar/localTime';
import { dayOff, lesson, meeting, term } from '../records';

const index = topicIndex(
  ['off-task', 'homework', 'phone use', 'group work', 'work', 'calling out', 'anxiety', 'tired'].map(
    (name) => ({
      id: name,
      names: [name],
    }),
  ),
);
const touched = (text: string) => findTopics(wordsOf(text), index).map(({ topicId }) => topicId);

test.each<[text: string, topics: string[]]>([
  // forms, one word or two, turned round, slips of the keys
  ['was off task again', ['off-task']],
  ['offtask', ['off-task']],
  ['home work late', ['homework']],
  ['use of the phone', ['phone use']],
  ['used his phone', ['phone use']],
  ['called out twice', ['calling out']],
  ['anxious before the test', ['anxiety']],
  ['homewrok missing', ['homework']],
  // a longer topic is meant, not its part
  ['group work went well', ['group work']],
  ['worked alone', ['work']],
  // denied, or not
  ['not off task', []],
  ['wasn’t once off task', []],
  ['never tired', []],
  ['no homework', ['homework']],
  ['no phone use', []],
  ['not only tired', ['tired']],
  ['not late, tired', ['tired']],
  ['no longer calling out', []],
  ['neither tired nor off task', []],
])('%s', (text, topics) => {
  expect(touched(text)).toEqual(topics);
});

test('places of students are no topics', () => {
  expect(findTopics(wordsOf('Work late'), index, [{ from: 0, to: 4 }])).toEqual([]);
});

const calendar = {
  terms: [
    term({ startsOn: '2026-09-07', endsOn: '2026-12-18' }),
    term({ id: 't2', startsOn: '2027-01-06', endsOn: '2027-03-31' }),
  ],
  daysOff: [dayOff({ startsOn: '2026-12-04' })],
  meetings: [1, 3].map((weekday) => meeting({ id: `m${weekday}`, weekday })),
  lessons: [lesson({ id: 'm1.2026-11-30', date: '2026-11-30', setAside: true })],
};
const at = (date: string, time: string) => schoolDays(calendar, { date, time }, 's');

test('the next lesson is the class’s own, later than now, and not set aside', () => {
  expect(at('2026-11-23', '10:00').nextLesson(1)).toBe('2026-11-23');
  expect(at('2026-11-23', '10:45').nextLesson(1)).toBe('2026-11-25');
  // Monday the 30th is set aside.
  expect(at('2026-11-23', '10:45').nextLesson(2)).toBe('2026-12-02');
  expect(schoolDays(calendar, { date: '2026-11-23', time: '10:00' }, null).nextLesson(1)).toBeNull();
});

test.each([
  ['2026-12-03', '2026-12-03'],
  ['2026-12-04', '2026-12-07'],
  ['2026-12-05', '2026-12-07'],
  // over the holidays to the next term, and over New Year
  ['2026-12-19', '2027-01-06'],
  ['2026-12-31', '2027-01-06'],
])('from %s the next school day is %s', (date, next) => {
  expect(nextSchoolDay(date, at('2026-11-23', '10:00'))).toBe(next);
});

test('the next school day is one, is not earlier, and no school day lies between', () => {
  const days = at('2026-11-23', '10:00');
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 180 }), (ahead) => {
      const date = addDays('2026-09-01', ahead);
      const next = nextSchoolDay(date, days);
      expect(next >= date && days.isSchoolDay(next)).toBe(true);
      for (let day = date; day < next; day = addDays(day, 1)) expect(days.isSchoolDay(day)).toBe(false);
    }),
  );
});
