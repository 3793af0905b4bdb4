import type { Activity } from '../records/schema';
import { wholeMoment } from './wholeMoment';

/** What a student did in a class on a day, of one kind and in one place. */
export interface ActivityDay {
  studentId: string;
  day: string;
  kind: string;
  place: string;
  count: number;
  seconds: number;
  /** Local moments of the first and the last of them. */
  first: string;
  last: string;
  /** The hours in which something was done, as bits: bit 0 is from midnight to one. */
  hours: number;
}

export type Action = Pick<Activity, 'studentId' | 'at' | 'kind' | 'place' | 'seconds'>;

/** Adds up single actions by student, day, kind and place, in the order in which they first come. */
export function rollUp(actions: Iterable<Action>): ActivityDay[] {
  const days = new Map<string, ActivityDay>();
  for (const { studentId, at, kind, place, seconds } of actions) {
    const moment = wholeMoment(at);
    const day = moment.slice(0, 10);
    const key = JSON.stringify([studentId, day, kind, place]);
    const found = days.get(key);
    const hour = 1 << Number(moment.slice(11, 13));
    if (!found) {
      const one = { count: 1, seconds: seconds ?? 0, first: moment, last: moment, hours: hour };
      days.set(key, { studentId, day, kind, place, ...one });
      continue;
    }
    found.count += 1;
    found.seconds += seconds ?? 0;
    found.hours |= hour;
    if (moment < found.first) found.first = moment;
    if (moment > found.last) found.last = moment;
  }
  return [...days.values()];
}
