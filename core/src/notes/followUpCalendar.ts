import ICAL from 'ical.js';

export interface CalendarEntry {
  id: string;
  /** The day it comes up. */
  date: string;
  summary: string;
  description: string;
}

const mostInSummary = 70;

/** What stands in a calendar for a note: its beginning, on one line. */
export function summaryOf(text: string): string {
  const line = text.replace(/[\p{Cc}\s]+/gu, ' ').trim();
  return line.length > mostInSummary ? `${line.slice(0, mostInSummary - 1)}…` : line;
}

/**
 * What is to be looked at again as an iCalendar file: a whole-day event each.
 * @param stamp ISO moment of writing
 * Source: RFC 5545, through the package ical.js.
 */
export function followUpCalendar(entries: readonly CalendarEntry[], stamp: string): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Slate Path//Look again//EN');
  for (const { id, date, summary, description } of entries) {
    const event = new ICAL.Component('vevent');
    event.addPropertyWithValue('uid', `${id}@slate-path`);
    event.addPropertyWithValue('dtstamp', ICAL.Time.fromDateTimeString(`${stamp.slice(0, 19)}Z`));
    event.addPropertyWithValue('dtstart', ICAL.Time.fromDateString(date));
    event.addPropertyWithValue('summary', summary);
    // A control character ends a line's life in this format, so the text goes without them.
    event.addPropertyWithValue('description', description.replace(/[^\P{Cc}\n]/gu, ' '));
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
}
