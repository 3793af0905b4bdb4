import { neighbours } from '../../people/room/seatings';
import { hypergeometricTail, smallestTail } from './hypergeometric';
import { fewestHits, isMore, type Candidate, type Counts } from './patternTest';
import type { ClassSeating, ClassSeries, Slot } from './streams';

/** Looked at are the last lessons in which trouble was looked for: most of a term. */
const lastLessons = 60;

/** How the class sat in some lessons, by the students' places in the series. */
interface Seated {
  /** The same for the same seat of the same room plan; none of whoever had no seat. */
  seats: (string | undefined)[];
  beside: number[][];
}

/** A lesson in which trouble was looked for, and how the class sat in it. */
interface SeatedLesson {
  slot: Slot;
  seated: Seated;
}

function seatedBy({ roomPlanId, places }: ClassSeating, students: ClassSeries['students']): Seated {
  const seatOf = new Map(places.map(({ studentId, x, y }) => [studentId, `${roomPlanId} ${x} ${y}`]));
  const index = new Map(students.map(({ id }, i) => [id, i]));
  const beside = neighbours(places);
  return {
    seats: students.map(({ id }) => seatOf.get(id)),
    beside: students.map(({ id }) => (beside.get(id) ?? []).flatMap((other) => index.get(other) ?? [])),
  };
}

/** Those of the last lessons of which it is known how the class sat. */
function seatedLessons({ streams, seatings, students }: ClassSeries): SeatedLesson[] {
  const inOrder = seatings.toSorted((a, b) => (a.startsOn < b.startsOn ? -1 : 1));
  const found: SeatedLesson[] = [];
  let next = 0;
  let seated: Seated | null = null;
  for (const slot of streams.trouble.slice(-lastLessons)) {
    const before = next;
    while ((inOrder[next]?.startsOn ?? '\uFFFF') <= slot.date) next += 1;
    const last = inOrder[next - 1];
    if (last && next > before) seated = seatedBy(last, students);
    if (seated) found.push({ slot, seated });
  }
  return found;
}

const add = (counts: Counts, isHit: boolean) => {
  counts.times += 1;
  if (isHit) counts.hits += 1;
};

/** One student's trouble in all lessons, on the present seat, and beside each neighbour who was there. */
function troubleOf(lessons: readonly SeatedLesson[], i: number) {
  const all = { hits: 0, times: 0 };
  let onSeat = { hits: 0, times: 0 };
  let seat: string | undefined;
  const beside = new Map<number, Counts>();
  for (const { slot, seated } of lessons) {
    const value = slot.value[i] ?? NaN;
    const here = seated.seats[i];
    if (Number.isNaN(value) || here === undefined) continue;
    add(all, value > 0);
    if (here !== seat) [seat, onSeat] = [here, { hits: 0, times: 0 }];
    add(onSeat, value > 0);
    for (const j of seated.beside[i] ?? []) {
      if (Number.isNaN(slot.value[j])) continue;
      const counts = beside.get(j) ?? { hits: 0, times: 0 };
      beside.set(j, counts);
      add(counts, value > 0);
    }
  }
  return { all, onSeat, beside };
}

/** The lessons of one student on the present seat, or (with j) beside a neighbour. */
function lessonsThere(lessons: readonly SeatedLesson[], i: number, j: number | null): Slot[] {
  const own = lessons.filter(
    ({ slot, seated }) => !Number.isNaN(slot.value[i]) && seated.seats[i] !== undefined,
  );
  const seat = own.at(-1)?.seated.seats[i];
  const since = own.findLastIndex(({ seated }) => seated.seats[i] !== seat) + 1;
  const there =
    j === null
      ? own.slice(since)
      : own.filter(({ slot, seated }) => seated.beside[i]?.includes(j) && !Number.isNaN(slot.value[j]));
  return there.map(({ slot }) => slot);
}

/**
 * Trouble of each student on the seat that they have now against those before, and beside each neighbour against
 * lessons in which somebody else sat there, or the neighbour was away: Fisher's test of the student's own lessons,
 * for whoever is in trouble everywhere is so beside everybody.
 */
export function seatCandidates(series: ClassSeries): Candidate[] {
  const lessons = seatedLessons(series);
  return series.students.flatMap(({ active }, i) => {
    const { all, onSeat, beside } = troubleOf(lessons, i);
    if (!active || all.hits < fewestHits) return [];
    return [
      ...candidate(series, lessons, { i, j: null, own: onSeat, all }),
      ...[...beside].flatMap(([j, own]) => candidate(series, lessons, { i, j, own, all })),
    ];
  });
}

interface Where {
  i: number;
  /** The neighbour; null for the seat. */
  j: number | null;
  own: Counts;
  all: Counts;
}

function candidate(
  { students }: ClassSeries,
  lessons: readonly SeatedLesson[],
  { i, j, own, all }: Where,
): Candidate[] {
  const other = { hits: all.hits - own.hits, times: all.times - own.times };
  if (other.times === 0) return [];
  const drawing = { all: all.times, hits: all.hits, drawn: own.times };
  const couldBe = own.hits >= fewestHits && isMore(own, other);
  return [
    {
      i,
      studentId: students[i]?.id ?? '',
      stream: 'trouble',
      kind: j === null ? 'seat' : 'neighbour',
      besideName: j === null ? null : (students[j]?.name ?? ''),
      day: 0,
      ...own,
      otherHits: other.hits,
      otherTimes: other.times,
      inside: couldBe ? lessonsThere(lessons, i, j) : [],
      p: couldBe ? hypergeometricTail(own.hits, drawing) : 1,
      least: smallestTail(drawing),
    },
  ];
}
