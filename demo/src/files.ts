import { addDays } from '@slate-path/core/calendar/localTime';
import { writeCsv } from '@slate-path/core/formats/csv';
import type { DemoStudent } from './people';
import { daysOff } from './scenario';

/** A number that nobody has: 555 01.. is kept free for made-up people. */
const phoneOf = (schoolId: string) =>
  `+353 1 555 01${schoolId.replace(/\D/g, '').slice(-2).padStart(2, '0')}`;

/** A class's roster as a school's office would export it. */
export function rosterCsv(students: readonly DemoStudent[]): string {
  const heading = [
    'Student ID',
    'Name',
    'Called',
    'E-mail',
    'Grade',
    'Guardian',
    'Guardian e-mail',
    'Guardian phone',
    'Guardian 2',
    'Guardian 2 e-mail',
  ];
  const rows = students.map(({ schoolId, givenName, familyName, called, email, grade, guardians }) => {
    const [first, second] = guardians;
    const name = familyName ? `${familyName}, ${givenName}` : givenName;
    return [
      schoolId,
      name,
      called,
      email,
      grade,
      first?.name ?? '',
      first?.email ?? '',
      first ? phoneOf(schoolId) : '',
      second?.name ?? '',
      second?.email ?? '',
    ];
  });
  return writeCsv([heading, ...rows]);
}

/** First and last date of each entry of the scenario's days off. */
export function daysOffOf(termStart: string): { name: string; startsOn: string; endsOn: string }[] {
  return daysOff.map(({ name, week, weekday }) => {
    const monday = addDays(termStart, week * 7);
    const startsOn = weekday ? addDays(monday, weekday - 1) : monday;
    return { name, startsOn, endsOn: weekday ? startsOn : addDays(monday, 4) };
  });
}

/** The days off as an iCalendar file (RFC 5545); DTEND is the day after the last. */
export function daysOffCalendar(termStart: string): string {
  const plain = (date: string) => date.replaceAll('-', '');
  const events = daysOffOf(termStart).flatMap(({ name, startsOn, endsOn }, index) => [
    'BEGIN:VEVENT',
    `UID:day-off-${index}@ternrock.example`,
    `DTSTAMP:${plain(termStart)}T000000Z`,
    `SUMMARY:${name}`,
    `DTSTART;VALUE=DATE:${plain(startsOn)}`,
    `DTEND;VALUE=DATE:${plain(addDays(endsOn, 1))}`,
    'END:VEVENT',
  ]);
  return [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Tern Rock School//EN',
    ...events,
    'END:VCALENDAR',
    '',
  ].join('\r\n');
}
