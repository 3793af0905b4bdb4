import { inReadingOrder, isSame, type Seat } from '../seat';
import type { Place } from '../placing';
import { seeded, shuffled } from './chance';
import { keep } from './conflict';
import { mixed, type Groups } from './mix';
import { relationsOf } from './relations';
import { search, type Puzzle } from './search';
import { isOfTwo, type Wish } from './wish';

export const fillOrders = ['name', 'random', 'mixed'] as const;
export type FillOrder = (typeof fillOrders)[number];

/** What is asked for when a class is seated. */
export interface FillRequest {
  seats: readonly Seat[];
  /** Who stays where they sit; the others are seated on what is left. */
  staying: readonly Place[];
  /** Everybody of the class, in the order of its list. */
  students: readonly string[];
  wishes: readonly Wish[];
  order: FillOrder;
  /** By student, for `mixed`: who shares a group should not sit beside each other. */
  groups: Groups;
  seed: number;
}

/** How a class was seated; wishes by their ids. */
export interface Filled {
  places: Place[];
  kept: string[];
  given: string[];
  /** Those that cannot all be kept. */
  conflict: string[];
  isSmallest: boolean;
  /** Beside each other and of one group, where the class was mixed. */
  alike: number;
}

/** A wish says something only of those who are in the class. */
function meant({ studentIds, kind }: Wish, inClass: ReadonlySet<string>): boolean {
  const here = new Set(studentIds.filter((id) => inClass.has(id)));
  return here.size === (isOfTwo(kind) ? 2 : 1);
}

/** On what is left free, in order; who finds nothing has no seat. */
function rest(students: readonly string[], taken: ReadonlyMap<string, number>, seats: number) {
  const used = new Set(taken.values());
  const free = Array.from({ length: seats }, (_, seat) => seat).filter((seat) => !used.has(seat));
  const waiting = students.filter((id) => !taken.has(id));
  return new Map(waiting.slice(0, free.length).map((id, at) => [id, free[at] ?? 0]));
}

/**
 * Seats a class so that as many wishes are kept as can be: by name from the front, at random, or mixed. Who has no
 * seat in the end is not in it, which happens only where there are fewer seats than students.
 */
export function fillRoom(request: FillRequest): Filled {
  const { staying, wishes, order, groups, seed } = request;
  const random = seeded(seed);
  const seats = inReadingOrder(request.seats);
  const seatOf = (place: Seat) => seats.findIndex((seat) => isSame(seat, place));
  const line = order === 'name' ? [...request.students] : shuffled(request.students, random);
  const inClass = new Set(line);
  const stays = staying.filter((place) => inClass.has(place.studentId) && seatOf(place) >= 0);
  const fixed = new Map(stays.map((place) => [place.studentId, seatOf(place)]));
  const asked = wishes.filter((wish) => meant(wish, inClass));
  const relations = relationsOf(seats);
  const liked = rest(line, fixed, seats.length);
  const puzzle: Puzzle = { students: line, seats, relations, fixed, liked };
  const outcome = keep(asked, (some) => search(puzzle, some, random));
  const taken = new Map(outcome.found);
  const all = new Map([...taken, ...rest(line, taken, seats.length)]);
  const seated = order === 'mixed' ? mixed({ all, fixed, puzzle, kept: outcome.kept, groups, random }) : all;
  return {
    places: [...seated].flatMap(([studentId, at]): Place[] => {
      const seat = seats[at];
      return seat ? [{ studentId, x: seat.x, y: seat.y }] : [];
    }),
    kept: outcome.kept.map(({ id }) => id),
    given: asked.filter((wish) => !outcome.kept.includes(wish)).map(({ id }) => id),
    conflict: outcome.conflict.map(({ id }) => id),
    isSmallest: outcome.isSmallest,
    alike: alikeBeside(seated, relations.beside, groups),
  };
}

/** How many sit beside somebody of their group. */
export function alikeBeside(
  seated: ReadonlyMap<string, number>,
  beside: readonly (readonly boolean[])[],
  groups: Groups,
): number {
  const pairs = [...seated].flatMap(([a, i], at) =>
    [...seated].slice(at + 1).filter(([b, j]) => {
      const group = groups[a];
      return group !== undefined && group === groups[b] && beside[i]?.[j] === true;
    }),
  );
  return pairs.length;
}
