import { addDays } from '@slate-path/core/calendar/localTime';
import type { ChangeOf } from '@slate-path/core/changes/schema';
import type { Furniture } from '@slate-path/core/people/room/furniture';
import type { Seat } from '@slate-path/core/people/room/seat';
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

/** A board before the front row, the desk and the door beside it. */
function furnitureOf(seats: readonly Seat[], newId: () => string): Furniture[] {
  const xs = seats.map(({ x }) => x);
  const [first, last] = [Math.min(...xs), Math.max(...xs)];
  const y = Math.min(...seats.map((seat) => seat.y)) - 2;
  const flat = { y, deep: 1, turn: 0 };
  return [
    { ...flat, id: newId(), kind: 'desk', x: first, wide: 2 },
    { ...flat, id: newId(), kind: 'board', x: Math.floor((first + last) / 2), wide: 3 },
    { ...flat, id: newId(), kind: 'door', x: last, wide: 1 },
  ];
}

/** What is wished of where some of a class sit. */
export function makeWishes(
  { sectionId, pupils }: SeatedClass,
  newId: () => string,
): ChangeOf<'seatWish.set'>['payload'][] {
  const ids = pupils.map(({ id }) => id);
  const about = (...at: number[]) => at.flatMap((index) => ids[index] ?? []);
  const wish = { sectionId, seats: [] };
  return [
    { ...wish, id: newId(), kind: 'apart', studentIds: about(2, 9) },
    { ...wish, id: newId(), kind: 'together', studentIds: about(4, 17) },
    { ...wish, id: newId(), kind: 'front', studentIds: about(12) },
  ];
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
    const furniture = furnitureOf(seats, newId);
    const from = addDays(startsOn, 7 * week);
    return [
      { id, sectionId: seated.sectionId, name, seats, furniture, roomId: null, places, startsOn: from },
    ];
  });
}
