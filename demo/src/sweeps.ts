import seedrandom from 'seedrandom';
import type { ChangeOf } from '@slate-path/core/changes/schema';
import type { TalliedLesson } from './tallies';

/** The class of the demo that is swept, in every other lesson. */
export const sweptClass = 'Boat Workshop';
const share = 0.5;

/** One who came down a level and stayed there. */
const fading = { name: 'Odalys', fromWeek: 9, by: 1.2 };

/** Who was there, each round a level of the own. */
export function makeSweeps(lessons: readonly TalliedLesson[]): ChangeOf<'sweep.set'>['payload'][] {
  const random = seedrandom('sweeps');
  const usual = new Map<string, number>();
  return lessons.flatMap(({ key, week, there }) => {
    if (random() > share || there.length === 0) return [];
    const levels = there.map(({ id, givenName }) => {
      const own = usual.get(id) ?? 1.2 + random() * 1.6;
      usual.set(id, own);
      const faded = givenName === fading.name && week >= fading.fromWeek ? fading.by : 0;
      const level = Math.min(Math.max(Math.round(own - faded + (random() - 0.5)), 0), 3);
      return { studentId: id, level };
    });
    return [{ lesson: key, levels }];
  });
}
