import { addressOf } from '@slate-path/core/api/address';
import { wholeDay } from '@slate-path/core/calendar/lessons';
import { acceptedPeople, defaultDecision } from '@slate-path/core/people/roster/mergeRoster';
import type { School } from '@slate-path/core/records/schema';
import type { ApiClient } from './apiClient';
import { daysOffCalendar, rosterCsv } from './files';
import { classes, dayPeriods, periodTimes } from './scenario';
import { Sender } from './sender';
import { meetingKey, type DemoTerm } from './term';

/** What the term is written into: ids of classes by name, of meetings by class, day and period. */
export interface DemoPlaces {
  sections: Map<string, string>;
  meetings: Map<string, string>;
}

/** In milliseconds: three days before the term, on which its teacher sets everything up. */
export const setUpAt = ({ startsOn }: DemoTerm) => Date.parse(`${startsOn}T07:00:00Z`) - 3 * 86_400_000;

/** Term, days off, classes and rosters: through files, views and changes, like a teacher would. */
export async function setUp(client: ApiClient, term: DemoTerm): Promise<DemoPlaces> {
  const begun = setUpAt(term);
  const sender = new Sender(client);
  await sender.add(
    'term.set',
    { id: sender.id(begun), name: 'Autumn term', startsOn: term.startsOn, endsOn: term.endsOn },
    begun,
  );
  const calendar = await client.postFile(addressOf('readDaysOff'), daysOffCalendar(term.startsOn));
  await sender.add(
    'dayOff.add',
    { days: calendar.days.map((day) => ({ id: sender.id(begun), ...wholeDay, ...day })) },
    begun,
  );
  const { school } = await client.get<{ school: School[] }>(addressOf('setup'));
  for (const { id } of school)
    await sender.add('school.periods', { id, periods: dayPeriods, ended: [], added: [] }, begun);
  const sections = new Map<string, string>();
  const meetings = new Map<string, string>();
  for (const { name, subject, room, meets } of classes) {
    const id = sender.id(begun);
    sections.set(name, id);
    await sender.add('section.set', { id, name, subject, room }, begun);
    for (const [weekday, period] of meets) {
      const meetingId = sender.id(begun);
      meetings.set(meetingKey(name, weekday, period), meetingId);
      const meeting = {
        id: meetingId,
        sectionId: id,
        weekday,
        ...periodTimes(period),
        validFrom: null,
        validUntil: null,
        everyOtherFrom: null,
      };
      await sender.add('meeting.add', meeting, begun);
    }
  }
  await sender.send();
  for (const { name } of classes)
    await bringRoster(client, sender, term, name, sections.get(name) ?? '', begun);
  return { sections, meetings };
}

async function bringRoster(
  client: ApiClient,
  sender: Sender,
  term: DemoTerm,
  name: string,
  sectionId: string,
  at: number,
): Promise<void> {
  const students = term.students.filter((student) => student.classes.includes(name));
  const path = addressOf('readRoster', { sectionId });
  const { rows } = await client.postFile(path, rosterCsv(students));
  const accepted = rows.filter((row) => defaultDecision(row) === 'accept');
  if (accepted.length !== students.length)
    throw new Error(`${name}: ${accepted.length} of ${students.length} rows are good`);
  const { guardian } = await client.get(addressOf('setup'));
  const people = acceptedPeople(accepted, { guardians: guardian }, null, () => sender.id(at));
  await sender.add('roster.accept', { sectionId, people, gone: [] }, at);
  await sender.send();
}
