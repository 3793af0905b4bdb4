import { everyNodChange } from './everyNodChange';
import { everyObservationChange } from './everyObservationChange';
import { everyPhraseChange } from './everyPhraseChange';
import { everyRoomChange } from './everyRoomChange';
import { everySidesChange } from './everySidesChange';
import { everyWorkChange } from './everyWorkChange';
import type { ChangeOf, KindName } from '../src/changes/schema';
import { anotherTerm } from './anotherTerm';

const day = '2026-11-23';
const at = `${day}T10:45:00.000Z`;
const lesson = { id: `m.${day}`, sectionId: 's', date: day, startsAt: '10:40', endsAt: '11:30' };
const second = { ...lesson, id: 'm.2026-11-25', date: '2026-11-25' };
const extra = { id: 'extra', sectionId: 's', date: '2026-11-26', startsAt: '14:00', endsAt: '14:50' };
const mark = (studentId: string, standingId: string | null = null) => ({
  studentId,
  standingId,
  arrivedAt: null,
  leftAt: null,
});
const roll = (of: typeof lesson, standingId: string | null) => ({
  lesson: of,
  marks: [mark('a', standingId)],
  takenAt: at,
});
const person = (givenName: string) => ({
  givenName,
  familyName: 'Quispe',
  called: '',
  email: '' as const,
  grade: '7',
  schoolId: '',
});
const guardian = { id: 'g', name: 'Rosa Quispe', email: '' as const, phone: '', relation: 'mother' };
const standing = { credit: 0, excused: false, position: 1 };
const wanted = { tone: 'wanted', measure: 'count', sign: 'voice', sectionId: null, position: 1 } as const;
const rules = {
  graceMinutes: 8,
  awayFromShare: 0.5,
  latesPerAbsence: 3,
  creditBy: 'minutes',
  halfDayMinutes: 100,
} as const;
const member = (studentId: string, place: number) => ({
  studentId,
  place,
  goalLookForId: 'lf',
  goalCount: 2,
  feedback: '',
  nextLookForId: null,
  nextCount: null,
});
const tally = { studentId: 'a', lookForId: 'lf', at, circleId: null, amount: 1 };
const span = { from: 0, to: 5 };
const topic = { trouble: true, alsoCalled: ['splice'] };
const concern = { studentId: 'a', sectionId: 's', concern: 'absent' } as const;

const weekly = {
  id: 'm',
  sectionId: 's',
  weekday: 1,
  startsAt: '10:40',
  endsAt: '11:30',
  validFrom: null,
  validUntil: null,
  everyOtherFrom: '2026-08-31',
};

/**
 * One class's term in which every kind of change comes once, each with something to change: a kind that is missing
 * here does not compile.
 */
export const everyChange: { [K in KindName]: ChangeOf<K>['payload'] } = {
  'school.set': { id: 'school', name: 'Tern Rock', zone: 'Europe/Dublin', graceMinutes: 5, periods: [] },
  'school.periods': {
    id: 'school',
    periods: [{ name: 'P1', startsAt: '09:00', endsAt: '09:50' }],
    ended: [],
    added: [],
  },
  'term.set': { id: 't', name: 'Autumn', startsOn: '2026-08-24', endsOn: '2026-12-04' },
  'section.set': { id: 's', name: 'Boat Workshop', subject: 'Boats', room: 'Shed' },
  'section.lessonModes': { id: 's', lessonModes: ['roll', 'circle'] },
  'meeting.add': weekly,
  'meeting.replace': {
    ended: [{ id: 'm', validUntil: '2026-11-22' }],
    added: [{ ...weekly, id: 'm4', validFrom: '2026-11-23' }],
  },
  ...everyWorkChange,
  ...everyPhraseChange,
  ...everyNodChange,
  'dayOff.add': {
    days: [
      {
        id: 'd',
        startsOn: '2026-10-19',
        endsOn: '2026-10-23',
        name: 'Spring tide',
        offFrom: '12:00',
        offUntil: null,
      },
    ],
  },
  'dayOff.remove': { id: 'd' },
  'student.set': { id: 'a', student: person('Dario'), guardians: [guardian] },
  'enrolment.set': {
    id: 'e',
    sectionId: 's',
    studentId: 'a',
    cohort: '',
    startsOn: null,
    endsOn: null,
  },
  'cohort.set': { sectionId: 's', enrolmentIds: ['e'], cohort: 'Blue' },
  'roster.accept': {
    sectionId: 's',
    people: [
      {
        id: 'b',
        added: person('Mei'),
        changed: {},
        guardians: [{ ...guardian, id: 'g2' }],
        guardiansChanged: [],
        enrolment: { id: 'e2', cohort: '', startsOn: null },
      },
      {
        id: 'a',
        added: null,
        changed: { grade: '8' },
        guardians: [],
        guardiansChanged: [{ id: 'g', phone: '555 0101' }],
        enrolment: null,
      },
    ],
    gone: [{ enrolmentId: 'e2', endsOn: '2026-12-01' }],
  },
  'standing.set': { id: 'away', code: 'A', name: 'Away', countsAs: 'away', ...standing },
  'standing.order': { ids: ['here', 'late', 'away'] },
  'standing.retire': { id: 'away', retired: true },
  'standing.merge': { id: 'away', intoId: 'trip' },
  'section.rules': { id: 's', ...rules },
  'roll.mark': roll(lesson, 'away'),
  'roll.markAll': { about: 's', lessons: [roll(second, 'away')] },
  'roll.range': { lessons: [roll(lesson, null)] },
  'roll.comment': { lesson, studentId: 'a', comment: 'ferry' },
  'lesson.setAside': { lesson, setAside: true, label: 'Assembly' },
  'lesson.add': { ...extra, label: 'Extra' },
  'lesson.move': { lesson: second, to: { date: '2026-11-24', startsAt: '09:00', endsAt: '09:50' } },
  'lesson.remove': { lesson: extra },
  'participants.record': {
    about: lesson.id,
    lessons: [roll(lesson, 'away')],
    answers: [{ id: 'answer', sectionId: 's', entry: 'D. Quispe', studentId: 'a' }],
  },
  'participants.move': { from: roll(lesson, null), to: roll(second, null) },
  'checkIn.setting': {
    sectionId: 's',
    opensMinutesBefore: 10,
    closesMinutesAfter: 10,
    lunchChoices: ['soup'],
    shortNames: true,
  },
  'checkIn.record': {
    lesson,
    checkIn: {
      studentId: 'a',
      at,
      weather: 4,
      wantsWord: true,
      lunch: 'soup',
      comment: '',
      device: 'tablet',
      sameDevice: false,
    },
    mark: mark('a'),
  },
  'checkIn.other': {
    lesson,
    id: 'other',
    checkIn: {
      studentId: 'a',
      at,
      weather: 5,
      wantsWord: false,
      lunch: '',
      comment: '',
      device: 'phone',
    },
  },
  'task.set': {
    task: { id: 'task', sectionId: 's', studentId: 'a', title: 'Tiller', doneOn: day, minutes: 40 },
    lessons: [roll(lesson, null)],
  },
  'task.remove': { id: 'task', studentId: 'a', lessons: [roll(lesson, 'away')] },
  'section.wholeDay': { id: 's', attendedByWork: true, wholeDayMinutes: 200, lessons: [roll(lesson, null)] },
  'lookFor.set': { id: 'lf', name: 'Asked why', ...wanted },
  'focus.set': {
    focus: { id: 'f', name: 'Workshop', sectionId: 's', lookForIds: ['lf', 'lf2'] },
    lookFors: [{ id: 'lf2', name: 'Sanded', ...wanted, measure: 'seconds' }],
  },
  'tallying.set': { lesson, onAt: at, offAt: null, focusId: 'f' },
  'tally.add': {
    lesson,
    tallies: [
      { id: 'one', ...tally },
      { id: 'timed', ...tally, lookForId: 'lf2', amount: null },
    ],
  },
  'tally.stop': { id: 'timed', lessonId: lesson.id, amount: 90 },
  'tally.correct': { lesson, id: 'fix', studentId: 'a', lookForId: 'lf', at, from: 1, to: 3 },
  'tally.remove': { id: 'one', lessonId: lesson.id },
  'countComment.set': { id: 'cc', sectionId: 's', lookForId: 'lf', studentId: 'a', text: 'Asks more.' },
  'circle.begin': {
    lesson,
    id: 'c',
    lookForIds: ['lf'],
    groupName: 'Tide pool',
    startedAt: at,
    members: [member('a', 0), member('b', 1)],
  },
  'circle.join': { circleId: 'c', members: [member('x', 2)] },
  'circle.seat': { circleId: 'c', seats: [{ studentId: 'a', place: 0.5 }] },
  'circle.feedback': { circleId: 'c', studentId: 'a', feedback: 'Two reasons given.' },
  'circle.nextGoal': { circleId: 'c', studentId: 'a', nextLookForId: 'lf', nextCount: 3 },
  'circle.end': { id: 'c', endedAt: at },
  'group.set': { id: 'group', sectionId: 's', name: 'Tide pool', studentIds: ['a', 'b'] },
  'group.remove': { id: 'group', sectionId: 's', removed: true },
  ...everyRoomChange,
  ...everySidesChange,
  ...everyObservationChange,
  'turn.draw': {
    lesson,
    id: 'turn',
    studentId: 'a',
    at,
    seed: 7,
    chances: [{ studentId: 'a', weight: 1 }],
  },
  'turn.settle': { id: 'turn', lessonId: lesson.id, outcome: 'spoke' },
  'sweep.set': { lesson, levels: [{ studentId: 'a', level: 2 }] },
  'levelNames.set': { id: 'names', names: ['Asleep', 'Awake', 'At work', 'Leading'] },
  'topic.add': { id: 'topic', name: 'splicing', ...topic, marks: [] },
  'note.write': {
    id: 'n',
    text: 'Dario stuck on splicing',
    at,
    happenedAt: null,
    sectionId: 's',
    place: 'Shed',
    own: false,
    doubts: [],
    lesson,
    students: [{ studentId: 'a', spans: [span] }],
    topics: [{ topicId: 'topic', spans: [{ from: 15, to: 23 }] }],
    lookAgainOn: '2026-11-30',
  },
  'note.edit': {
    id: 'n',
    text: 'Dario stuck on splicing, Mei too',
    own: true,
    doubts: [],
    happenedAt: null,
    students: [
      { studentId: 'a', spans: [span], removed: true },
      { studentId: 'b', spans: [span], removed: false },
    ],
    topics: [],
  },
  'followUp.set': { id: 'n', dueOn: '2026-12-01', outcome: 'done' },
  'topic.set': { id: 'topic', name: 'Splices', ...topic },
  'topic.mark': { id: 'topic', marks: [{ noteId: 'n', spans: [span], removed: true }] },
  'topic.pass': { id: 'passed', word: 'varnish' },
  'topic.merge': { id: 'topic', intoId: 'ropes', alsoCalled: ['splices'] },
  'topic.remove': { id: 'topic' },
  'note.remove': { id: 'n' },
  'step.take': {
    id: 'step',
    studentId: 'a',
    sectionId: 's',
    concern: 'absent',
    at,
    kind: 'Contact home',
    text: 'Called.',
    lookAgainOn: '2026-12-01',
    contact: null,
  },
  'step.set': { id: 'step', studentId: 'a', kind: 'Talk', text: 'Talked.', lookAgainOn: null },
  'step.remove': { id: 'step', studentId: 'a' },
  'concern.quiet': { ...concern, at, until: '2026-12-07', because: 'a cold', strength: 0.7 },
  'concern.show': concern,
  'watchSetting.set': {
    sectionId: 's',
    streams: ['presence', 'voice'],
    shares: [0.1],
    fewestTaken: 15,
    inARow: 3,
    missingOfFive: 3,
  },
  'pathSummary.keep': { id: 'sum', studentId: 'a', at, text: 'Away on Mondays.' },
  'enrolment.move': {
    id: 'e',
    endsOn: day,
    to: { id: 'e3', sectionId: 's2', studentId: 'a', cohort: '', startsOn: '2026-11-24' },
  },
  'enrolment.end': { id: 'e2', endsOn: day },
  'enrolment.remove': { id: 'e2' },
  'section.taughtWith': { id: 's', withId: 's2' },
  'focus.remove': { id: 'f', removed: true },
  'lookFor.retire': { id: 'lf', retired: true },
  'meeting.end': { id: 'm', validUntil: day },
  'meeting.remove': { id: 'm' },
  'term.next': anotherTerm,
  'section.remove': { id: 's' },
};
