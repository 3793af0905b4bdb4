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
      wholeDayMinutes: null,
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
    },
  ],
  enrolments: [
    { id: 'e4', sectionId: 's3', studentId: 'a', cohort: '', startsOn: '2027-01-11', endsOn: null },
  ],
  ended: { on: '2026-12-04', meetingIds: ['m'], enrolmentIds: ['e3'] },
};
