import { localMoment } from '@slate-path/core/calendar/zone';
import { dayMonth } from '../../parts/dates';
import { zoneOf } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';

/** Moments as the school's clocks have them. */
export function useMoments(): { day: (instant: string) => string; moment: (instant: string) => string } {
  const zone = useRecords(({ current }) => zoneOf(Object.values(current.school)[0]));
  const local = (instant: string) => localMoment(Date.parse(instant), zone);
  return {
    day: (instant) => dayMonth(local(instant).date),
    moment: (instant) => `${dayMonth(local(instant).date)}, ${local(instant).time}`,
  };
}
