import { plantedChanges, type PlantedChange } from '@slate-path/demo/simulator/students';
import { simulateTerm, type SimulatedTerm } from '@slate-path/demo/simulator/simulateTerm';

export const rows = Object.keys(plantedChanges) as PlantedChange[];
export const studentsInClass = 30;
export const weeks = 20;

/**
 * One class of the figures: a student for each planted change, one who misses a weekday, 24 who only vary.
 * Seeds: `tune` made the limits, `figures` are for what is told of the engine, `check` for a second look;
 * `independent` are classes in which days know nothing of each other.
 */
export function termOf(seed: string): SimulatedTerm {
  const index = Number(/\d+$/.exec(seed)?.[0] ?? 0);
  return simulateTerm({
    seed,
    students: studentsInClass,
    weeks,
    startsOn: '2026-01-05',
    planted: rows,
    weekday: true,
    onsetLesson: 45 + (index % 10),
    variety: 0.25,
    independent: seed.startsWith('independent'),
  });
}

/** The value under which a share of them lies; those never noticed count as infinitely late. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
}
