import { groupBy } from '../../records/groupBy';
import type { Count } from './counts';

/** How long one student was observed in one lesson, in minutes. */
export interface Exposure {
  lessonId: string;
  studentId: string;
  minutes: number;
}

/** A sum with the chance there was for it. */
export interface Rate {
  amount: number;
  /** Student-lessons observed. */
  lessons: number;
  /** Minutes observed, of all students together. */
  minutes: number;
  /** Per observed hour of one student; null where nothing was observed. */
  perHour: number | null;
}

export interface KeyedRate extends Rate {
  key: string;
}

/** Adds up and divides. Source: an incidence rate, events per time at risk. */
export function rateOf(
  counts: readonly Pick<Count, 'amount'>[],
  exposures: readonly Pick<Exposure, 'minutes'>[],
): Rate {
  const seen = exposures.filter(({ minutes }) => minutes > 0);
  const amount = counts.reduce((sum, count) => sum + count.amount, 0);
  const minutes = seen.reduce((sum, exposure) => sum + exposure.minutes, 0);
  return { amount, lessons: seen.length, minutes, perHour: minutes === 0 ? null : (amount / minutes) * 60 };
}

/**
 * Rates by student, lesson or week. Tallies of the whole class belong to no student and are in none;
 * who was observed without a single tally has a rate of none, who was not observed has no rate.
 * @param keyOf what a count or an exposure belongs to
 */
export function ratesBy(
  counts: readonly Count[],
  exposures: readonly Exposure[],
  keyOf: (of: { lessonId: string; studentId: string }) => string,
): KeyedRate[] {
  const personal = counts.flatMap((count) =>
    count.studentId === null ? [] : [{ ...count, studentId: count.studentId }],
  );
  const countsByKey = groupBy(personal, keyOf);
  const exposuresByKey = groupBy(exposures, keyOf);
  const keys = new Set([...exposuresByKey.keys(), ...countsByKey.keys()]);
  return [...keys].map((key) => ({
    key,
    ...rateOf(countsByKey.get(key) ?? [], exposuresByKey.get(key) ?? []),
  }));
}
