import type { ChangeOf } from '@slate-path/core/changes/schema';
import { shippedReasons } from '@slate-path/core/nods/shipped';
import type { SchoolLife } from './life';
import type { TalliedLesson } from './tallies';

/** The classes of the demo in which nods are given. */
export const noddedClasses = ['Boat Workshop', 'Log-keeping'];
/** Where one of those with nods is drawn every other week. */
export const drawnClass = 'Boat Workshop';

const comments = ['', '', '', 'without being asked', 'three times over', 'and said thank you'];
/** So many lessons in ten have a nod, and no more than so many. */
const share = 0.7;
const most = 3;

interface Nodded {
  className: string;
  room: string;
  lessons: readonly TalliedLesson[];
  life: SchoolLife;
}

/** The nods of a class's lessons, to whoever was there. @param newId of a moment */
export function makeNods(
  { className, room, lessons, life }: Nodded,
  newId: (at: number) => string,
): { at: number; payload: ChangeOf<'nod.give'>['payload'] }[] {
  return lessons.flatMap(({ key, at, there, instantOf }) => {
    const chance = life.chance(`nods ${className}`, at);
    if (there.length === 0 || !chance.hit(share)) return [];
    const pick = <T>(all: readonly T[]) => all[chance.whole(0, all.length - 1)];
    return Array.from({ length: chance.whole(1, most) }, () => {
      const given = Date.parse(instantOf(5 + chance.uniform() * 40));
      const pupil = pick(there);
      const words = { reason: pick(shippedReasons) ?? '', place: room, comment: pick(comments) ?? '' };
      return {
        at: given,
        payload: {
          nods: pupil ? [{ id: newId(given), studentId: pupil.id }] : [],
          ...{ ...words, sectionId: key.sectionId, at: `${key.date}T${key.startsAt}:00`, messages: [] },
        },
      };
    }).filter(({ payload }) => payload.nods.length > 0);
  });
}
