import { addDays } from '@slate-path/core/calendar/localTime';
import type { Records } from '@slate-path/core/records/records';
import type { Meeting } from '@slate-path/core/records/schema';
import { newId } from '../../../sync/outbox';

type Lessons = Pick<Records, 'lesson'>;
type Times = Omit<Meeting, 'id' | 'removed'>;

/** What changes in the timetable at once, as the change has it. */
interface Replaced {
  ended: { id: string; validUntil: string | null }[];
  added: Omit<Meeting, 'removed'>[];
}

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

/** A time of the timetable that is taken out from a day on: what was held before stays. */
export function ended(records: Lessons, meeting: Meeting, from: string): Replaced['ended'][number] {
  const validUntil = wasHeldIn(records, meeting) ? addDays(from, -1) : null;
  return { id: meeting.id, validUntil };
}

/** What puts others in place of a time of the timetable, from the day on which that is possible. */
export function replaced(
  records: Lessons,
  meeting: Meeting,
  others: readonly Times[],
  today: string,
): Replaced {
  const from = changesOn(records, meeting, today);
  const validFrom = from ?? meeting.validFrom;
  return {
    ended: [ended(records, meeting, from ?? today)],
    added: others.map((other) => ({ ...other, validFrom, id: newId() })),
  };
}
