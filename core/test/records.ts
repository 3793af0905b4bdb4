import type {
  DayOff,
  Enrolment,
  Lesson,
  LookFor,
  Mark,
  Meeting,
  Section,
  Standing,
  Student,
  Tally,
  Term,
} from '../src/records/schema';
import { shippedStandings } from '../src/attendance/roll/standings';

/** Records for tests, whole but for what a test is about. */
export const standings: Standing[] = shippedStandings.map((fields) => ({
  ...fields,
  id: fields.code,
  mergedIntoId: null,
  removed: false,
}));
export const standingsById = Object.fromEntries(standings.map((standing) => [standing.id, standing]));

export function lesson(fields: Partial<Lesson> = {}): Lesson {
  const { date = '2026-11-23' } = fields;
  return {
    id: `m.${date}`,
    sectionId: 's',
    date,
    startsAt: '10:40',
    endsAt: '11:30',
    label: '',
    setAside: false,
    takenAt: `${date}T10:43:00.000Z`,
    removed: false,
    ...fields,
  };
}

export function mark(fields: Partial<Mark> = {}): Mark {
  const { lessonId = 'm.2026-11-23', studentId = 'a' } = fields;
  return {
    id: `${lessonId}/${studentId}`,
    lessonId,
    studentId,
    standingId: null,
    arrivedAt: null,
    leftAt: null,
    comment: '',
    source: 'tap',
    removed: false,
    ...fields,
  };
}

export function enrolment(fields: Partial<Enrolment> = {}): Enrolment {
  const { studentId = 'a' } = fields;
  return {
    id: `e${studentId}`,
    sectionId: 's',
    studentId,
    cohort: '',
    startsOn: null,
    endsOn: null,
    removed: false,
    ...fields,
  };
}

export function student(fields: Partial<Student> = {}): Student {
  return {
    id: 'a',
    givenName: 'Dario',
    familyName: 'Quispe',
    called: '',
    email: '',
    grade: '',
    schoolId: '',
    removed: false,
    ...fields,
  };
}

export function meeting(fields: Partial<Meeting> = {}): Meeting {
  return {
    id: 'm',
    sectionId: 's',
    weekday: 1,
    startsAt: '10:40',
    endsAt: '11:30',
    validFrom: null,
    validUntil: null,
    everyOtherFrom: null,
    removed: false,
    ...fields,
  };
}

export function term(fields: Partial<Term> = {}): Term {
  return { id: 't', name: 'Autumn', startsOn: '2026-08-24', endsOn: '2026-12-04', removed: false, ...fields };
}

export function dayOff(fields: Partial<DayOff> = {}): DayOff {
  const { startsOn = '2026-12-04' } = fields;
  return {
    id: `off ${startsOn}`,
    name: 'Harbour day',
    startsOn,
    endsOn: startsOn,
    offFrom: null,
    offUntil: null,
    removed: false,
    ...fields,
  };
}

export function section(fields: Partial<Section> = {}): Section {
  return {
    id: 's',
    name: 'Boat Workshop',
    subject: '',
    room: '',
    graceMinutes: null,
    awayFromShare: null,
    latesPerAbsence: null,
    creditBy: 'standing',
    halfDayMinutes: null,
    taughtWithId: null,
    attendedByWork: false,
    wholeDayMinutes: null,
    lessonModes: [],
    removed: false,
    ...fields,
  };
}

let number = 0;
/** A fresh id. */
export const newId = () => `id${String((number += 1))}`;

export const lookFor = (id: string, more: Partial<LookFor> = {}): LookFor => ({
  id,
  removed: false,
  name: id,
  tone: 'wanted',
  measure: 'count',
  sign: 'voice',
  sectionId: null,
  position: 0,
  ...more,
});
export const tally = (studentId: string | null, lookForId: string, more: Partial<Tally> = {}): Tally => ({
  id: newId(),
  removed: false,
  lessonId: 'l1',
  studentId,
  lookForId,
  at: '2026-11-23T10:50:00.000Z',
  amount: 1,
  circleId: null,
  correctedFrom: null,
  unsure: false,
  ...more,
});
