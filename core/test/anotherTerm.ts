import type { ChangeOf } from '../src/changes/schema';

/** A term that begins from the set-up of another. */
export const anotherTerm: ChangeOf<'term.next'>['payload'] = {
  term: { id: 't2', name: 'Spring', startsOn: '2027-01-11', endsOn: '2027-03-26' },
  sections: [
    {
      id: 's3',
      name: 'Boat Workshop',
      subject: 'Boats',
      room: 'Shed',
      graceMinutes: 8,
      awayFromShare: 0.5,
      latesPerAbsence: 3,
      creditBy: 'minutes',
      halfDayMinutes: 100,
      taughtWithId: null,
      attendedByWork: false,
      wholeDayMinutes: null,
      lessonModes: ['roll', 'sweep'],
    },
  ],
  meetings: [
    {
      id: 'm3',
      sectionId: 's3',
      weekday: 2,
      startsAt: '09:00',
      endsAt: '09:50',
      validFrom: '2027-01-11',
      validUntil: '2027-03-26',
      everyOtherFrom: '2027-01-18',
    },
  ],
  enrolments: [
    { id: 'e4', sectionId: 's3', studentId: 'a', cohort: '', startsOn: '2027-01-11', endsOn: null },
  ],
  lookFors: [
    {
      id: 'lf9',
      name: 'Checked twice',
      tone: 'wanted',
      measure: 'count',
      sign: 'check',
      sectionId: 's3',
      position: 0,
    },
  ],
  focuses: [{ id: 'fo9', name: 'Workshop', sectionId: 's3', lookForIds: ['lf9'] }],
  roomPlans: [
    {
      id: 'rp9',
      sectionId: 's3',
      name: 'Benches',
      seats: [{ x: 0, y: 0 }],
      furniture: [],
      roomId: null,
      places: [{ x: 0, y: 0, studentId: 'a' }],
    },
  ],
  ended: { on: '2026-12-04', meetingIds: ['m'], enrolmentIds: ['e3'] },
};
