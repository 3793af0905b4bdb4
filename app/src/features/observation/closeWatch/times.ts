import { localMoment } from '@slate-path/core/calendar/zone';
import { zoneOf } from '../../../sync/clock';
import { useRecords } from '../../../sync/useRecords';

/** The day and time of a moment on the clocks of the school. */
function atSchool(instant: string) {
  const [school] = Object.values(useRecords.getState().current.school);
  return localMoment(Date.parse(instant), zoneOf(school));
}

export const timeOf = (instant: string) => atSchool(instant).time;
export const dateOf = (instant: string) => atSchool(instant).date;
