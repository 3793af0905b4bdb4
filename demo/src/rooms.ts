import { addDays } from '@slate-path/core/calendar/localTime';
import type { ChangeOf } from '@slate-path/core/changes/schema';
import { layoutOf, type LayoutName } from '@slate-path/core/people/room/layouts';
import { allSeated } from '@slate-path/core/people/room/placing';
import type { SchoolLife } from './life';
import { weeksInTerm } from './scenario';
import { sitsInPairs } from './stories';
import type { Pupil } from './tallies';

export interface SeatedClass {
  className: string;
  sectionId: string;
  pupils: readonly Pupil[];
  life: SchoolLife;
}

const layoutNames: Partial<Record<LayoutName, string>> = {
  pairs: 'Pairs',
  fours: 'Tables of four',
  benches: 'Long benches',
};

/** How each class sits in a week of the term; the others have no plan. */
const layoutsIn: Record<string, (week: number) => LayoutName> = {
  'Boat Workshop': () => 'fours',
  'Shore Ecology': () => 'benches',
  'Log-keeping': (week) => (sitsInPairs(week) ? 'pairs' : 'fours'),
};

/** In pairs these two sit side by side, at tables of four far from each other. */
const besideEachOther = ['Viggo Silva', 'Sander Sarr'];
const nameOf = ({ student }: Pupil) => `${student.givenName} ${student.familyName}`;

/** In which order a class takes its seats. */
function orderOf({ pupils, life, className }: SeatedClass, layout: LayoutName): string[] {
  const chance = life.chance(`seats ${className} ${layout}`);
  const mixed = pupils
    .map((pupil) => ({ pupil, lot: chance.uniform() }))
    .sort((a, b) => a.lot - b.lot)
    .map(({ pupil }) => pupil);
  const two = besideEachOther.flatMap((name) => mixed.filter((pupil) => nameOf(pupil) === name));
  const others = mixed.filter((pupil) => !two.includes(pupil));
  const order =
    layout === 'pairs'
      ? [...others.slice(0, 8), ...two, ...others.slice(8)]
      : [...two.slice(0, 1), ...others, ...two.slice(1)];
  return order.map(({ id }) => id);
}

/** The room plans of a class, and from which week on it sat by which. @param startsOn the term's first Monday */
export function makeRooms(
  seated: SeatedClass,
  startsOn: string,
  newId: () => string,
): ChangeOf<'room.set'>['payload'][] {
  const layoutIn = layoutsIn[seated.className];
  if (!layoutIn) return [];
  const ids = new Map<LayoutName, string>();
  let last: LayoutName | null = null;
  return Array.from({ length: weeksInTerm }, (_, week) => week).flatMap((week) => {
    const layout = layoutIn(week);
    if (layout === last) return [];
    last = layout;
    const id = ids.get(layout) ?? newId();
    ids.set(layout, id);
    const seats = layoutOf(layout, seated.pupils.length);
    const places = allSeated({ seats, places: [] }, orderOf(seated, layout));
    const name = layoutNames[layout] ?? layout;
    return [{ id, sectionId: seated.sectionId, name, seats, places, startsOn: addDays(startsOn, 7 * week) }];
  });
}
