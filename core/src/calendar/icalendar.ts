import ICAL from 'ical.js';
import { addDays } from './localTime';

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

const dateOf = (time: ICAL.Time) => time.toString().slice(0, 10);

function spansOf(event: ICAL.Event): { startsOn: string; endsOn: string }[] {
  // DTEND of an all-day entry is the day after the last (RFC 5545, 3.6.1).
  const lastDay = (end: ICAL.Time) => addDays(dateOf(end), -1);
  if (!event.isRecurring()) {
    const startsOn = dateOf(event.startDate);
    const endsOn = lastDay(event.endDate);
    return [{ startsOn, endsOn: endsOn < startsOn ? startsOn : endsOn }];
  }
  const spans: { startsOn: string; endsOn: string }[] = [];
  const repeats = event.iterator();
  // The library's types leave out that the last `next` gives nothing.
  const next = () => repeats.next() as ICAL.Time | null | undefined;
  for (let start = next(); start && spans.length < mostRepeats; start = next()) {
    const { startDate, endDate } = event.getOccurrenceDetails(start);
    spans.push({ startsOn: dateOf(startDate), endsOn: lastDay(endDate) });
  }
  return spans;
}

/**
 * Days off from an iCalendar file (RFC 5545): its all-day entries, repeats followed.
 * Entries with a time of day are lessons or meetings, not days off, and are named as left out.
 * @throws CalendarError with a sentence when the text is no calendar
 */
export function readDaysOff(text: string): CalendarReading {
  const calendar = parse(text);
  const reading: CalendarReading = { days: [], leftOut: [] };
  for (const component of calendar.getAllSubcomponents('vevent')) {
    const event = new ICAL.Event(component);
    const name = event.summary || 'Day off';
    if (!component.getFirstPropertyValue('dtstart')) {
      reading.leftOut.push({ name, reason: 'it has no date' });
    } else if (!event.startDate.isDate) {
      reading.leftOut.push({ name, reason: 'it has a time of day, so it is not a day off' });
    } else {
      reading.days.push(...spansOf(event).map((span) => ({ name, ...span })));
    }
  }
  reading.days.sort((a, b) => (a.startsOn < b.startsOn ? -1 : 1));
  return reading;
}

function parse(text: string): ICAL.Component {
  try {
    const parsed: unknown = ICAL.parse(text.replace(/^\uFEFF/, ''));
    const calendar = new ICAL.Component(parsed as unknown[]);
    if (calendar.name === 'vcalendar') return calendar;
  } catch {
    // The library's own words name a parser's state; the sentence below serves a teacher better.
  }
  throw new CalendarError('This is not an iCalendar file. One begins with BEGIN:VCALENDAR.');
}

export class CalendarError extends Error {}
