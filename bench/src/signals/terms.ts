import type { ArchiveTableName } from '@slate-path/core/keeping/archive/tables';
import { plantedChanges, type PlantedChange } from '@slate-path/demo/simulator/students';
import { simulateTerm, type SimulatedTerm } from '@slate-path/demo/simulator/simulateTerm';

export const rows = Object.keys(plantedChanges) as PlantedChange[];
export const studentsInClass = 30;
export const weeks = 20;

/** What a teacher does not have who keeps the roll and tallies, and nothing else. */
const besidesRollAndTallies = [
  'sweeps',
  'check_ins',
  'work',
  'hand_ins',
  'activity',
  'notes',
  'note_students',
  'note_topics',
] as const satisfies ArchiveTableName[];

/**
 * One class of the figures: a student for each planted change, one who misses a weekday, 24 who only vary.
 * Seeds: `tune` made the limits, `figures` are for what is told of the engine, `check` for a second look;
 * in `independent` classes days know nothing of each other; in `roll` classes only roll and tallies are kept.
 */
export function termOf(seed: string): SimulatedTerm {
  const index = Number(/\d+$/.exec(seed)?.[0] ?? 0);
  const term = simulateTerm({
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
  if (seed.startsWith('roll')) for (const table of besidesRollAndTallies) term.archive[table] = [];
  return term;
}

/** The value under which a share of them lies; those never noticed count as infinitely late. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
}
