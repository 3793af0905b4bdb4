import type { ChangeOf } from '@slate-path/core/changes/schema';
import type { SchoolLife } from './life';
import { drawEngagement } from './simulator/draws';
import type { TalliedLesson } from './tallies';

/** The class of the demo that is swept. */
export const sweptClass = 'Boat Workshop';

/** Who was there, each round a level of the own. */
export function makeSweeps(
  lessons: readonly TalliedLesson[],
  life: SchoolLife,
): ChangeOf<'sweep.set'>['payload'][] {
  return lessons.flatMap(({ key, at, there }) => {
    const mood = life.moodOf(at.date, sweptClass);
    if (!mood.swept || there.length === 0) return [];
    const chance = life.chance('sweeps', at);
    const levels = there.map(({ id, student }) => ({
      studentId: id,
      level: drawEngagement(chance, life.usualOf(student, at), mood),
    }));
    return [{ lesson: key, levels }];
  });
}
