import { z } from 'zod';
import { addDays } from '../../calendar/localTime';
import { latelyDays } from './latelyDays';
import { missing, onTime } from './models/handInModel';
import type { ClassSeries } from './streams';

const Count = z.number().int().min(0);

/** What one student's last four weeks in a class add up to. */
export const Lately = z.object({
  /** Lessons taken while the student was in the class, and how many of them were missed. */
  taken: Count,
  missed: Count,
  /** Lessons in which it would have been seen, and wanted tallies in them. */
  observed: Count,
  heard: Count,
  /** Pieces of work that were due, how many of them are in, and how many were on time. */
  due: Count,
  handedIn: Count,
  onTime: Count,
});
export type Lately = z.infer<typeof Lately>;

/**
 * What the last four weeks add up to, for each student of a class.
 * @param today the last day that counts, YYYY-MM-DD
 * @returns of the student at a place of the series
 */
export function latelyOf({ streams }: ClassSeries, today: string): (i: number) => Lately {
  const from = addDays(today, 1 - latelyDays);
  const valuesOf = (stream: 'presence' | 'voice' | 'hand_in', i: number) =>
    streams[stream].flatMap(({ date, value }) => {
      const seen = value[i] ?? NaN;
      return date < from || date > today || Number.isNaN(seen) ? [] : [seen];
    });
  return (i) => {
    const presence = valuesOf('presence', i);
    const voice = valuesOf('voice', i);
    const work = valuesOf('hand_in', i);
    return {
      taken: presence.length,
      missed: presence.filter((value) => value === 1).length,
      observed: voice.length,
      heard: voice.reduce((sum, value) => sum + value, 0),
      due: work.length,
      handedIn: work.filter((value) => value !== missing).length,
      onTime: work.filter((value) => value === onTime).length,
    };
  };
}
