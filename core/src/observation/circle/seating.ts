/** A ring of more could not be tapped. */
export const mostMembers = 40;

const samples = 720;

/** Points of an ellipse of width 1 and this height with the way along it so far, from the top on clockwise. */
function rim(height: number): { x: number; y: number; way: number }[] {
  let way = 0;
  let last = { x: 0.5, y: 0 };
  return Array.from({ length: samples + 1 }, (_, sample) => {
    const angle = (sample / samples) * 2 * Math.PI - Math.PI / 2;
    const point = { x: 0.5 + Math.cos(angle) / 2, y: ((1 + Math.sin(angle)) / 2) * height };
    way += Math.hypot(point.x - last.x, point.y - last.y);
    last = point;
    return { ...point, way };
  });
}

/**
 * Where everybody sits on a ring, equally far from each other along it, the first at the top, on clockwise.
 * @param ratio the ring's height by its width
 * @returns x and y from 0 to 1, of the width and of the height
 */
export function seatsOn(seats: number, ratio = 1): { x: number; y: number }[] {
  const points = rim(ratio);
  const whole = points.at(-1)?.way ?? 0;
  return Array.from({ length: seats }, (_, index) => {
    const wanted = (index / seats) * whole;
    const point = points.find(({ way }) => way >= wanted - 1e-9) ?? { x: 0.5, y: 0 };
    return { x: point.x, y: point.y / ratio };
  });
}

/** The place between two neighbours, so that moving one student touches no other. */
export function placeBetween(before: number | undefined, after: number | undefined): number {
  if (before === undefined) return after === undefined ? 0 : after - 1;
  return after === undefined ? before + 1 : (before + after) / 2;
}

/**
 * The new place of somebody dropped on another's seat: the one who sat there moves up towards the seat
 * that became free.
 * @param seated ids with places, in the order of the ring
 */
export function placeOnto(
  seated: readonly { id: string; place: number }[],
  movedId: string,
  ontoId: string,
): number {
  const from = seated.findIndex(({ id }) => id === movedId);
  const rest = seated.filter(({ id }) => id !== movedId);
  const onto = rest.findIndex(({ id }) => id === ontoId);
  if (onto < 0) return seated[from]?.place ?? 0;
  const movesOn = from >= 0 && from <= onto;
  const [before, after] = movesOn ? [rest[onto], rest[onto + 1]] : [rest[onto - 1], rest[onto]];
  return placeBetween(before?.place, after?.place);
}

/**
 * Automatic seating that puts who was heard least last time across from the teacher's eye: quiet and
 * talkative ones in turn around the ring, so that no side of it is silent.
 * @param spoken times spoken last time, by student; unknown is none
 */
export function seatInTurn(studentIds: readonly string[], spoken: ReadonlyMap<string, number>): string[] {
  const sorted = studentIds.toSorted((a, b) => (spoken.get(b) ?? 0) - (spoken.get(a) ?? 0));
  const half = Math.ceil(sorted.length / 2);
  const quiet = sorted.slice(half).reverse();
  return sorted.slice(0, half).flatMap((loud, index) => [loud, ...quiet.slice(index, index + 1)]);
}
