import ICAL from 'ical.js';
import { addDays, daysBetween } from './localTime';

export interface DayOffFound {
  name: string;
  startsOn: string;
  endsOn: string;
}

export interface CalendarReading {
  days: DayOffFound[];
  /** Entries that are no days off, with the reason in words. */
  leftOut: { name: string; reason: string }[];
}

/** How many repeats of one entry are followed: ten years of one a month. */
const mostRepeats = 120;
/** A rule is followed for ten years at most; one that matches no day of them is given up. */
const mostYears = 10;
const mostSteps = 366 * mostYears;
/** A day off, or a holiday, in days. */
const mostLength = 366;
/** Days off that one file may hold. */
const mostDays = 2000;

const withinDays = new Set(['SECONDLY', 'MINUTELY', 'HOURLY']);
const dateOf = (time: ICAL.Time) => time.toString().slice(0, 10);

const cannotBeRead = 'its dates or its rule cannot be read';
const onNoDay = 'its rule is on no day of the next ten years';

/** Why an entry is no day off, in words. */
class LeftOut extends Error {}

/** The days on which a rule falls, the first ones. The library would look for ever for one that is on no day. */
function followed(rule: ICAL.Recur, start: ICAL.Time): string[] {
  const last = start.clone();
  last.year += mostYears;
  const within = rule.clone();
  if (!within.until || within.until.compare(last) > 0) within.until = last;
  const repeats = within.iterator(start) as ICAL.RecurIterator & { check_contracting_rules(): boolean };
  const check = repeats.check_contracting_rules.bind(repeats);
  let steps = 0;
  repeats.check_contracting_rules = () => {
    steps += 1;
    if (steps > mostSteps) throw new LeftOut(onNoDay);
    return check();
  };
  const days: string[] = [];
  // The library's types leave out that the last `next` gives nothing.
  const next = () => repeats.next() as ICAL.Time | null | undefined;
  for (let day = next(); day && days.length < mostRepeats; day = next()) days.push(dateOf(day));
  if (days.length === 0) throw new LeftOut(onNoDay);
  return days;
}

/** The dates that a property such as EXDATE lists. */
function datesOf(component: ICAL.Component, property: string): string[] {
  return component
    .getAllProperties(property)
    .flatMap((one) => one.getValues() as unknown[])
    .flatMap((value) => (value instanceof ICAL.Time ? [dateOf(value)] : []))
    .slice(0, mostDays);
}

function spansOf(component: ICAL.Component, event: ICAL.Event): { startsOn: string; endsOn: string }[] {
  if (!component.getFirstPropertyValue('dtstart')) throw new LeftOut('it has no date');
  if (!event.startDate.isDate) throw new LeftOut('it has a time of day, so it is not a day off');
  const first = dateOf(event.startDate);
  // DTEND of an all-day entry is the day after the last (RFC 5545, 3.6.1).
  const length = Math.max(daysBetween(first, dateOf(event.endDate)) - 1, 0);
  if (!(length <= mostLength)) throw new LeftOut('it is longer than a year');
  const rules = component.getAllProperties('rrule').map((property) => property.getFirstValue() as ICAL.Recur);
  if (rules.some(({ freq }) => withinDays.has(freq)))
    throw new LeftOut('it repeats within a day, so it is not a day off');
  const left = new Set(datesOf(component, 'exdate'));
  const starts = [
    first,
    ...rules.slice(0, 5).flatMap((rule) => followed(rule, event.startDate)),
    ...datesOf(component, 'rdate'),
  ];
  return [...new Set(starts)]
    .filter((day) => !left.has(day))
    .map((startsOn) => ({ startsOn, endsOn: addDays(startsOn, length) }));
}

/**
 * Days off from an iCalendar file (RFC 5545): its all-day entries, repeats followed.
 * Entries with a time of day are lessons or meetings, not days off, and are named as left out.
 * @throws CalendarError with a sentence when the text is no calendar
 */
export function readDaysOff(text: string): CalendarReading {
  const whole = text.replace(/^\uFEFF/, '');
  const reading: CalendarReading = { days: [], leftOut: [] };
  for (const component of entriesOf(whole) ?? oneByOne(whole)) {
    let name = 'Day off';
    try {
      if (!component) throw new LeftOut(cannotBeRead);
      const event = new ICAL.Event(component);
      name = event.summary || name;
      if (reading.days.length >= mostDays)
        throw new LeftOut(`there are ${mostDays} days off in this file already`);
      reading.days.push(...spansOf(component, event).map((span) => ({ name, ...span })));
    } catch (error) {
      // What the library says of a value that it cannot take names a parser's state.
      reading.leftOut.push({ name, reason: error instanceof LeftOut ? error.message : cannotBeRead });
    }
  }
  reading.days.sort((a, b) => (a.startsOn < b.startsOn ? -1 : 1));
  return reading;
}

/** A calendar's entries; null where it cannot be read. */
function entriesOf(text: string): ICAL.Component[] | null {
  try {
    const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
    return calendar.name === 'vcalendar' ? calendar.getAllSubcomponents('vevent') : null;
  } catch {
    return null;
  }
}

const end = 'END:VEVENT';

/** Every entry by itself: one that cannot be read does not take the others along. @returns null for those */
function oneByOne(text: string): (ICAL.Component | null)[] {
  const [head = '', ...rest] = text.split('BEGIN:VEVENT');
  if (!/^BEGIN:VCALENDAR\s/.test(head.trimStart())) throw new CalendarError(noCalendar);
  return rest.map((part) => {
    const entry = `BEGIN:VEVENT${part.slice(0, part.indexOf(end))}${end}`;
    return entriesOf(`BEGIN:VCALENDAR\r\n${entry}\r\nEND:VCALENDAR`)?.[0] ?? null;
  });
}

const noCalendar = 'This is not an iCalendar file. One begins with BEGIN:VCALENDAR.';

export class CalendarError extends Error {}
