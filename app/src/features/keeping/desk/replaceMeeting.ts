import { addDays } from '@slate-path/core/calendar/localTime';
import type { Records } from '@slate-path/core/records/records';
import type { Meeting } from '@slate-path/core/records/schema';
import { makeChange, newId } from '../../../sync/outbox';

type Lessons = Pick<Records, 'lesson'>;
type Times = Omit<Meeting, 'id' | 'removed'>;

export const aboutTimetable = 'timetable';

/** Was a roll taken in one of its lessons? On a day, or at all. */
export function wasHeldIn({ lesson }: Lessons, { id }: Meeting, date?: string): boolean {
  return Object.values(lesson).some(
    (one) => one.id.startsWith(`${id}.`) && one.takenAt !== null && (date === undefined || one.date === date),
  );
}

/** From which day on a time that is changed is another: what was held stays; null where nothing was. */
export function changesOn(records: Lessons, meeting: Meeting, today: string): string | null {
  if (!wasHeldIn(records, meeting)) return null;
  return wasHeldIn(records, meeting, today) ? addDays(today, 1) : today;
}

/** Takes a time out of the timetable from a day on: what was held before stays. */
export function endMeeting(records: Lessons, meeting: Meeting, from: string): void {
  const { id } = meeting;
  if (wasHeldIn(records, meeting))
    makeChange('meeting.end', { id, validUntil: addDays(from, -1) }, aboutTimetable);
  else makeChange('meeting.remove', { id }, aboutTimetable);
}

/** Puts others in place of a time of the timetable, from the day on which that is possible. */
export function replaceMeeting(
  records: Lessons,
  meeting: Meeting,
  others: readonly Times[],
  today: string,
): void {
  const from = changesOn(records, meeting, today);
  endMeeting(records, meeting, from ?? today);
  for (const other of others)
    makeChange(
      'meeting.add',
      { ...other, validFrom: from ?? meeting.validFrom, id: newId() },
      aboutTimetable,
    );
}
