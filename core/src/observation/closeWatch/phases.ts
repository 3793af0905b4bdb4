import type { ObservationPhase } from '../../records/schema';
import { median } from '../../statistics/median';
import { overlapOf, type BetterWay, type Overlap } from '../../statistics/overlap';
import { theilSen, type Trend } from '../../statistics/theilSen';

/** The number of one session of one student. */
export interface SessionValue {
  observationId: string;
  /** `YYYY-MM-DD`. */
  date: string;
  /** Its beginning, milliseconds since 1970. */
  at: number;
  value: number;
}

export interface Phase {
  /** Empty for the baseline. */
  name: string;
  /** Null for the baseline. */
  startsOn: string | null;
  /** In order of time. */
  values: SessionValue[];
  median: number | null;
  /** By day since 1970; null where there are too few. */
  trend: Trend | null;
  /** With the phase before it; null for the baseline, and where one of them is empty. */
  overlap: Overlap | null;
}

/** A line through fewer points than these says nothing. */
export const fewestForTrend = 3;
/**
 * Fewer sessions in a phase than these are read with care. Source: Kratochwill and others, Single-case designs technical
 * documentation (What Works Clearinghouse, 2010), which asks for five in each phase.
 */
export const fewestInPhase = 5;

const dayMs = 86_400_000;

/** Days since 1970, of a moment. */
export const dayOf = ({ at }: Pick<SessionValue, 'at'>) => at / dayMs;

/**
 * The sessions of one student by phase: what was before the first change is the baseline.
 * @param values in any order @param changes what was changed for this student, in any order; of two on one day both names count
 * @param way which way is better
 */
export function phasesOf(
  values: readonly SessionValue[],
  changes: readonly Pick<ObservationPhase, 'startsOn' | 'name'>[],
  way: BetterWay,
): Phase[] {
  const sorted = [...values].sort((a, b) => a.at - b.at);
  const days = [...new Set(changes.map(({ startsOn }) => startsOn))].sort();
  const bounds = [null, ...days];
  const parts = bounds.map((startsOn, index) => {
    const end = bounds[index + 1];
    return {
      name: changes
        .filter((change) => change.startsOn === startsOn)
        .map(({ name }) => name)
        .join(', '),
      startsOn,
      values: sorted.filter(
        ({ date }) =>
          (startsOn === null || date >= startsOn) && (end === undefined || end === null || date < end),
      ),
    };
  });
  return parts.map((part, index): Phase => {
    const numbers = part.values.map(({ value }) => value);
    const before = parts[index - 1]?.values.map(({ value }) => value) ?? [];
    return {
      ...part,
      median: median(numbers),
      trend:
        part.values.length < fewestForTrend
          ? null
          : theilSen(part.values.map((one) => ({ x: dayOf(one), y: one.value }))),
      overlap: overlapOf(before, numbers, way),
    };
  });
}
