import { groupBy } from '@slate-path/core/records/groupBy';
import type { Records } from '@slate-path/core/records/records';
import type { LookFor, Tally } from '@slate-path/core/records/schema';
import { countsOf, type Count } from '@slate-path/core/tallies/counts';
import { remembered } from '../records/remembered';

/** What one student (or, null, the whole class) has in one lesson. */
export interface StudentSums {
  counts: Count[];
  /** Timed ones that run. */
  running: Tally[];
}

const none: StudentSums = { counts: [], running: [] };
const keyOf = (lessonId: string, studentId: string | null) => `${lessonId} ${studentId ?? ''}`;

const allSums = remembered(
  (records) => [records.tally, records.lookFor],
  (records): Map<string, StudentSums> => {
    const tallies = Object.values(records.tally);
    const sums = new Map<string, StudentSums>();
    for (const [key, counts] of groupBy(countsOf(tallies, records.lookFor), (c) =>
      keyOf(c.lessonId, c.studentId),
    ))
      sums.set(key, { counts, running: [] });
    for (const tally of tallies) {
      if (tally.removed || tally.amount !== null) continue;
      const key = keyOf(tally.lessonId, tally.studentId);
      const found = sums.get(key) ?? { ...none, running: [] };
      sums.set(key, { ...found, running: [...found.running, tally] });
    }
    return sums;
  },
);

/** A student's sums in a lesson, as everything recorded here says. */
export function sumsOf(records: Records, lessonId: string, studentId: string | null): StudentSums {
  return allSums(records).get(keyOf(lessonId, studentId)) ?? none;
}

export interface ToneSums {
  wanted: number;
  neutral: number;
  unwanted: number;
  /** Seconds of the timed ones. */
  seconds: number;
  running: number;
}

const noTones: ToneSums = { wanted: 0, neutral: 0, unwanted: 0, seconds: 0, running: 0 };

/** The same put together by tone, as the strokes show it; seconds are no strokes. */
function tonesOf({ counts, running }: StudentSums, lookFors: Readonly<Record<string, LookFor>>): ToneSums {
  const sums = { ...noTones, running: running.length };
  for (const { lookForId, amount } of counts) {
    const lookFor = lookFors[lookForId];
    if (!lookFor) continue;
    if (lookFor.measure === 'seconds') sums.seconds += amount;
    else sums[lookFor.tone] += amount;
  }
  return sums;
}

const toneNames = Object.keys(noTones) as (keyof ToneSums)[];
let lastTones = new Map<string, ToneSums>();

/** Everybody's, each the same object until it changes, so that a stroke draws one tile and no other. */
const allTones = remembered(
  (records) => [records.tally, records.lookFor],
  (records): Map<string, ToneSums> => {
    const tones = new Map<string, ToneSums>();
    for (const [key, sums] of allSums(records)) {
      const next = tonesOf(sums, records.lookFor);
      const last = lastTones.get(key);
      tones.set(key, last && toneNames.every((name) => last[name] === next[name]) ? last : next);
    }
    lastTones = tones;
    return tones;
  },
);

export function tonesIn(records: Records, lessonId: string, studentId: string | null): ToneSums {
  return allTones(records).get(keyOf(lessonId, studentId)) ?? noTones;
}

/** How many strokes a lesson has in all. */
export function strokesIn(records: Records, lessonIds: readonly string[]): number {
  const known = new Set(lessonIds);
  return [...allSums(records).values()]
    .flatMap(({ counts }) => counts)
    .filter(
      ({ lessonId, lookForId }) => known.has(lessonId) && records.lookFor[lookForId]?.measure !== 'seconds',
    )
    .reduce((sum, { amount }) => sum + amount, 0);
}
