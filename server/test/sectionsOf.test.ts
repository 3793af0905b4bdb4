import { sectionsOf } from '../src/watch/sectionsOf';

const lesson = { id: 'l', sectionId: 's', date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };

test.each([
  ['a mark stays in the lesson\u2019s class', { kind: 'roll.mark', payload: { lesson, marks: [] } }, ['s']],
  ['a note of a lesson', { kind: 'note.write', payload: { lesson } }, ['s']],
  [
    'a note of none may be of any class its students are in',
    { kind: 'note.write', payload: { lesson: null, sectionId: 's' } },
    null,
  ],
  ['a student is of several', { kind: 'student.set', payload: { id: 'a' } }, null],
  ['a standing counts everywhere', { kind: 'standing.set', payload: { id: 'A' } }, null],
  ['what is watched in a class', { kind: 'watchSetting.set', payload: { sectionId: 's' } }, ['s']],
  ['a step about a class', { kind: 'step.take', payload: { sectionId: 's' } }, ['s']],
  ['a step about none', { kind: 'step.take', payload: { sectionId: null } }, null],
  ['an enrolment moves between two', { kind: 'enrolment.move', payload: { sectionId: 's' } }, null],
  ['put aside', { kind: 'concern.quiet', payload: { sectionId: 's' } }, []],
  ['taken back: anything', { kind: 'undo', payload: { changeId: 'c' } }, null],
  ['nothing that can be read', null, null],
])('%s', (_what, change, sections) => {
  const found = sectionsOf(change);
  expect(found === null ? null : [...found]).toEqual(sections);
});
