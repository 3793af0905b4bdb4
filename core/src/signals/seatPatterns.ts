import { groupBy } from '../records/groupBy';
import { isSame } from '../room/layouts';
import type { Place } from '../room/placing';
import { neighbours, seatingOn } from '../room/seatings';
import { hypergeometricTail, smallestTail } from './hypergeometric';
import { fewestHits, isMore, type Candidate, type Counts } from './patternTest';
import type { ClassSeries, ClassSeating, Slot } from './streams';

/** Looked at are the last lessons in which it is known where a student sat: most of a term. */
const lastLessons = 60;

function countsOf(slots: readonly Slot[], i: number): Counts {
  const seen = slots.flatMap(({ value }) => (Number.isNaN(value[i]) ? [] : [value[i] ?? 0]));
  return { hits: seen.filter((value) => value > 0).length, times: seen.length };
}

interface Seated {
  slot: Slot;
  seating: ClassSeating;
}

/** Where one student sat in the lessons in which trouble was looked for. */
interface OwnLesson extends Seated {
  place: Place;
  /** Who sat beside and was there, by their places in the series. */
  beside: readonly number[];
}

/** @param whole trouble of each student, in all lessons: of whoever had hardly any nothing can be told */
function lessonsOf(
  seated: readonly Seated[],
  { students }: ClassSeries,
  whole: readonly Counts[],
): OwnLesson[][] {
  const index = new Map(students.map(({ id }, i) => [id, i]));
  const besideIn = new Map(
    [...new Set(seated.map(({ seating }) => seating))].map((seating) => [
      seating,
      neighbours(seating.places),
    ]),
  );
  const own: OwnLesson[][] = students.map(() => []);
  for (const one of seated)
    for (const place of one.seating.places) {
      const i = index.get(place.studentId);
      if (i === undefined || (whole[i]?.hits ?? 0) < fewestHits || Number.isNaN(one.slot.value[i])) continue;
      const beside = (besideIn.get(one.seating)?.get(place.studentId) ?? []).flatMap(
        (id) => index.get(id) ?? [],
      );
      own[i]?.push({ ...one, place, beside: beside.filter((j) => !Number.isNaN(one.slot.value[j])) });
    }
  return own;
}

/** The lessons since a student last got another seat; none where there was none before. */
function onThisSeat(own: readonly OwnLesson[]): Slot[] {
  const last = own.at(-1);
  const before = own.findLastIndex(
    ({ seating, place }) =>
      last && !(seating.roomPlanId === last.seating.roomPlanId && isSame(place, last.place)),
  );
  return before < 0 ? [] : own.slice(before + 1).map(({ slot }) => slot);
}

/**
 * Trouble of each student on the seat that they have now against those before, and beside each neighbour against
 * lessons in which somebody else sat there, or the neighbour was away: Fisher's test of the student's own lessons,
 * for whoever is in trouble everywhere is so beside everybody.
 * @param whole trouble of each student, in all lessons
 */
export function seatCandidates(series: ClassSeries, whole: readonly Counts[]): Candidate[] {
  const seated = series.streams.trouble.flatMap((slot): Seated[] => {
    const seating = seatingOn(series.seatings, slot.date);
    return seating ? [{ slot, seating }] : [];
  });
  if (seated.length === 0) return [];
  return lessonsOf(seated, series, whole).flatMap((lessons, i) => {
    if (!series.students[i]?.active) return [];
    const own = lessons.slice(-lastLessons);
    const all = own.map(({ slot }) => slot);
    const beside = groupBy(
      own.flatMap(({ slot, beside: others }) => others.map((j) => ({ slot, j }))),
      ({ j }) => j,
    );
    return [
      ...candidate(series, i, { kind: 'seat', inside: onThisSeat(own), all, besideName: null }),
      ...[...beside].flatMap(([j, together]) => {
        const inside = together.map(({ slot }) => slot);
        const besideName = series.students[j]?.name ?? '';
        return candidate(series, i, { kind: 'neighbour', inside, all, besideName });
      }),
    ];
  });
}

interface Where {
  kind: 'seat' | 'neighbour';
  /** The lessons there, of all in which it is known where the student sat. */
  inside: readonly Slot[];
  all: readonly Slot[];
  besideName: string | null;
}

function candidate({ students }: ClassSeries, i: number, where: Where): Candidate[] {
  const { kind, inside, all, besideName } = where;
  const there = new Set(inside);
  const own = countsOf(inside, i);
  const other = countsOf(
    all.filter((slot) => !there.has(slot)),
    i,
  );
  const hits = own.hits + other.hits;
  if (hits < fewestHits || own.times === 0 || other.times === 0) return [];
  const drawing = { all: all.length, hits, drawn: own.times };
  return [
    {
      ...{ i, inside, kind, besideName, day: 0 },
      studentId: students[i]?.id ?? '',
      stream: 'trouble',
      ...own,
      otherHits: other.hits,
      otherTimes: other.times,
      p: own.hits >= fewestHits && isMore(own, other) ? hypergeometricTail(own.hits, drawing) : 1,
      least: smallestTail(drawing),
    },
  ];
}
