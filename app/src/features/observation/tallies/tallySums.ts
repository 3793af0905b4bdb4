import type { Records } from '@slate-path/core/records/records';
import type { LookFor, Tally } from '@slate-path/core/records/schema';
import { countsOf, type Count } from '@slate-path/core/observation/tallies/counts';

/** What one student (or, null, the whole class) has in one lesson. */
export interface StudentSums {
  counts: Count[];
  /** Timed ones that run. */
  running: Tally[];
}

/** The same put together by tone, as the strokes show it; seconds are no strokes. */
export interface ToneSums {
  wanted: number;
  neutral: number;
  unwanted: number;
  /** Seconds of the timed ones. */
  seconds: number;
  running: number;
}

type LookFors = Records['lookFor'];

const noSums: StudentSums = { counts: [], running: [] };
const noTones: ToneSums = { wanted: 0, neutral: 0, unwanted: 0, seconds: 0, running: 0 };

function sumsFrom(tallies: readonly Tally[], lookFors: LookFors): StudentSums {
  const running = tallies.filter(({ removed, amount }) => !removed && amount === null);
  return { counts: countsOf(tallies, lookFors), running };
}

function tonesFrom({ counts, running }: StudentSums, lookFors: LookFors): ToneSums {
  const sums = { ...noTones, running: running.length };
  for (const { lookForId, amount } of counts) {
    const lookFor: LookFor | undefined = lookFors[lookForId];
    if (!lookFor) continue;
    if (lookFor.measure === 'seconds') sums.seconds += amount;
    else sums[lookFor.tone] += amount;
  }
  return sums;
}

const toneNames = Object.keys(noTones) as (keyof ToneSums)[];

const sameTones = (a: ToneSums, b: ToneSums) => toneNames.every((name) => a[name] === b[name]);

interface Group {
  tallies: Map<string, Tally>;
  sums: StudentSums;
  tones: ToneSums;
}

type Place = Pick<Tally, 'lessonId' | 'studentId'>;

const placeOf = ({ lessonId, studentId }: Place) => `${lessonId} ${studentId ?? ''}`;

/**
 * Everybody's in every lesson, kept from one look to the next: a stroke counts its own student again and
 * nobody else, whose sums stay the same objects, so that one tile is drawn and no other.
 */
const kept = {
  tally: {} as Records['tally'],
  many: 0,
  lookFor: {} as LookFors,
  groups: new Map<string, Group>(),
};

function put(tally: Tally): string {
  const place = placeOf(tally);
  const group = kept.groups.get(place) ?? { tallies: new Map(), sums: noSums, tones: noTones };
  kept.groups.set(place, group);
  group.tallies.set(tally.id, tally);
  return place;
}

function takeOut(tally: Tally): string {
  const place = placeOf(tally);
  kept.groups.get(place)?.tallies.delete(tally.id);
  return place;
}

/** Brings the groups up to these tallies. @returns the places where something changed */
function regroup(tallies: Records['tally']): Set<string> {
  const changed = new Set<string>();
  const all = Object.values(tallies);
  let known = 0;
  for (const tally of all) {
    const before = kept.tally[tally.id];
    if (before) known += 1;
    if (before === tally) continue;
    if (before && placeOf(before) !== placeOf(tally)) changed.add(takeOut(before));
    changed.add(put(tally));
  }
  // Looked for only where some are gone: a tap goes through them all once.
  if (known < kept.many)
    for (const before of Object.values(kept.tally)) if (!tallies[before.id]) changed.add(takeOut(before));
  kept.tally = tallies;
  kept.many = all.length;
  return changed;
}

function groupsOf({ tally, lookFor }: Records): ReadonlyMap<string, Group> {
  const changed = tally === kept.tally ? [] : regroup(tally);
  const known = lookFor === kept.lookFor;
  kept.lookFor = lookFor;
  for (const place of known ? changed : kept.groups.keys()) {
    const group = kept.groups.get(place);
    if (!group) continue;
    group.sums = sumsFrom([...group.tallies.values()], lookFor);
    const tones = tonesFrom(group.sums, lookFor);
    if (!sameTones(tones, group.tones)) group.tones = tones;
  }
  return kept.groups;
}

/** A student's sums in a lesson, as everything recorded here says. */
export function sumsOf(records: Records, lessonId: string, studentId: string | null): StudentSums {
  return groupsOf(records).get(placeOf({ lessonId, studentId }))?.sums ?? noSums;
}

export function tonesIn(records: Records, lessonId: string, studentId: string | null): ToneSums {
  return groupsOf(records).get(placeOf({ lessonId, studentId }))?.tones ?? noTones;
}

/** How many strokes a lesson has in all. */
export function strokesIn(records: Records, lessonIds: readonly string[]): number {
  const known = new Set(lessonIds);
  return [...groupsOf(records).values()]
    .flatMap(({ sums }) => sums.counts)
    .filter(
      ({ lessonId, lookForId }) => known.has(lessonId) && records.lookFor[lookForId]?.measure !== 'seconds',
    )
    .reduce((sum, { amount }) => sum + amount, 0);
}

/** How many times something was timed in a lesson, running ones too. */
export function timedIn(records: Records, lessonIds: readonly string[]): number {
  const known = new Set(lessonIds);
  return [...groupsOf(records).values()]
    .flatMap(({ tallies }) => [...tallies.values()])
    .filter(
      ({ lessonId, lookForId, removed, correctedFrom }) =>
        known.has(lessonId) &&
        !removed &&
        correctedFrom === null &&
        records.lookFor[lookForId]?.measure === 'seconds',
    ).length;
}
