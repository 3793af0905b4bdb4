import { schoolDaysOf } from '@slate-path/core/calendar/schoolDays';
import { listOf, type Records } from '@slate-path/core/records/records';

/** Tells school days by the calendar that this device knows. */
export const schoolDaysIn = (records: Records): ((date: string) => boolean) =>
  schoolDaysOf({
    terms: listOf(records, 'term'),
    daysOff: listOf(records, 'dayOff'),
    meetings: listOf(records, 'meeting'),
  });
