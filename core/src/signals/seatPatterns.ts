import { groupBy } from '../records/groupBy';
import { neighbours, seatingOn } from '../room/seatings';
import { betaPrior, type BetaPrior } from './models/betaPrior';
import { fewestHits, guess, tested, type Candidate, type Counts } from './patternTest';
import type { ClassSeries, ClassSeating, Slot } from './streams';

/** Looked at are the last such lessons. */
const lastLessons = 10;

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
  /** The same for the same seat of the same room plan. */
  seat: string;
  /** Who sat beside and was there, by their places in the series. */
  beside: readonly number[];
}

function lessonsOf(seated: readonly Seated[], series: ClassSeries): OwnLesson[][] {
  const index = new Map(series.students.map(({ id }, i) => [id, i]));
  const besideIn = new Map(
    [...new Set(seated.map(({ seating }) => seating))].map((seating) => [
      seating,
      neighbours(seating.places),
    ]),
  );
  const own: OwnLesson[][] = series.students.map(() => []);
  for (const one of seated)
    for (const { studentId, x, y } of one.seating.places) {
      const i = index.get(studentId);
      if (i === undefined || Number.isNaN(one.slot.value[i])) continue;
      const beside = (besideIn.get(one.seating)?.get(studentId) ?? []).flatMap((id) => index.get(id) ?? []);
      own[i]?.push({
        ...one,
        seat: `${one.seating.roomPlanId} ${x} ${y}`,
        beside: beside.filter((j) => !Number.isNaN(one.slot.value[j])),
      });
    }
  return own;
}

/** The lessons since a student last got another seat; none where there was none before. */
function onThisSeat(own: readonly OwnLesson[]): Slot[] {
  const seat = own.at(-1)?.seat;
  const before = own.findLastIndex((lesson) => lesson.seat !== seat);
  return before < 0 ? [] : own.slice(before + 1).map(({ slot }) => slot);
}

/**
 * Trouble of each student on the seat that they have now against those before, and beside each neighbour against
 * lessons in which somebody else sat there, or the neighbour was away.
 * @param whole trouble of each student, in all lessons: what the class has in common
 */
export function seatCandidates(series: ClassSeries, whole: readonly Counts[]): Candidate[] {
  const seated = series.streams.trouble.flatMap((slot): Seated[] => {
    const seating = seatingOn(series.seatings, slot.date);
    return seating ? [{ slot, seating }] : [];
  });
  if (seated.length === 0) return [];
  const prior = betaPrior(
    Float64Array.from(whole, ({ hits }) => hits),
    Float64Array.from(whole, ({ times }) => times),
    guess.trouble,
  );
  return lessonsOf(seated, series).flatMap((own, i) => {
    if (!series.students[i]?.active) return [];
    const all = own.map(({ slot }) => slot);
    const beside = groupBy(
      own.flatMap(({ slot, beside: others }) => others.map((j) => ({ slot, j }))),
      ({ j }) => j,
    );
    return [
      ...candidate(series, i, { kind: 'seat', inside: onThisSeat(own), all, prior, besideName: null }),
      ...[...beside].flatMap(([j, lessons]) => {
        const inside = lessons.map(({ slot }) => slot);
        const besideName = series.students[j]?.name ?? '';
        return candidate(series, i, { kind: 'neighbour', inside, all, prior, besideName });
      }),
    ];
  });
}

interface Where {
  kind: 'seat' | 'neighbour';
  /** The lessons there, of all in which it is known where the student sat. */
  inside: readonly Slot[];
  all: readonly Slot[];
  prior: BetaPrior;
  besideName: string | null;
}

function candidate({ students }: ClassSeries, i: number, where: Where): Candidate[] {
  const { kind, all, prior, besideName } = where;
  const there = new Set(where.inside);
  const others = all.filter((slot) => !there.has(slot));
  const inside = where.inside.slice(-lastLessons);
  const own = countsOf(inside, i);
  const other = countsOf(others, i);
  if (own.times < fewestHits || other.times < fewestHits) return [];
  const first = inside[0]?.date ?? '';
  const meanwhile = countsOf(
    others.filter(({ date }) => date >= first),
    i,
  );
  const now = meanwhile.times < fewestHits ? other : meanwhile;
  return [
    {
      ...{ i, inside, kind, besideName, day: 0 },
      studentId: students[i]?.id ?? '',
      stream: 'trouble',
      ...own,
      otherHits: now.hits,
      otherTimes: now.times,
      ...tested({ own, other, now, prior, shift: 1 }),
    },
  ];
}
