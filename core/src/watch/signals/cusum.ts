import { add, Memory, nothing, type Sum } from './memory';
import type { Model } from './models/model';
import { onsetOf } from './onset';
import type { Slot } from './streams';

/** One observation counts at most so much, for or against: a single odd lesson makes no concern. */
export const largestScore = 3;
/** Evidence (log of 20 to 1) that a change is over. */
export const clearsAt = Math.log(20);
/** A change is known for so much more than its limit at most, so that it can end. */
const headroom = 2;

/** A change of one student in one stream that is thought to go on. */
export interface Change {
  /** The day of the lesson that it began with. */
  since: string;
  noticed: string;
}

/** Where one student stands in one stream. */
export interface Standing {
  /** Evidence for a change, log likelihood ratio, never below 0. */
  evidence: number;
  /** The same for its being over; counts while there is a change. */
  clearing: number;
  limit: number;
  change: Change | null;
  /** A change that ended, the last one. */
  ended: (Change & { endedOn: string }) | null;
  /** Seen since the change began; where there is none, nothing. */
  sinceChange: Sum;
  /** All observations so far. */
  seen: number;
  /** The last ones. */
  recent: Memory;
}

const clamp = (score: number) => Math.max(-largestScore, Math.min(largestScore, score));

/** Nothing is known yet. */
export function freshStanding(): Standing {
  return {
    evidence: 0,
    clearing: 0,
    limit: Infinity,
    change: null,
    ended: null,
    sinceChange: nothing(),
    seen: 0,
    recent: new Memory(),
  };
}

/**
 * Lets one observation of one student speak: a one-sided CUSUM of log likelihood ratios. The evidence
 * adds up, never below zero; from the limit on it is a change. Then the same sum the other way round
 * tells when it is over.
 * @param dateOf the day of a lesson, by its place among all
 * Source: Page (1954), Biometrika 41, 100-115.
 */
export function follow(
  standing: Standing,
  model: Model,
  i: number,
  slot: Slot,
  limit: number,
  dateOf: (lesson: number) => string | undefined,
): void {
  standing.seen += 1;
  standing.limit = limit;
  const [value, exposure] = [model.amount(i), slot.exposure?.[i] ?? 1];
  if (standing.change) {
    add(standing.sinceChange, value, exposure);
    followChange(standing, standing.change, model, i, slot);
    return;
  }
  const score = clamp(model.score(i));
  // The first ones make no change, but they help to date one.
  if (standing.seen > model.warmUp) standing.evidence = Math.max(0, standing.evidence + score);
  standing.recent.add(slot.lesson, score, value, exposure);
  model.hold(i);
  if (standing.evidence === 0) {
    model.learn(i);
  } else if (standing.evidence >= limit) {
    const onset = onsetOf(standing.recent, slot.lesson);
    standing.change = { since: dateOf(onset) ?? slot.date, noticed: slot.date };
    standing.sinceChange = standing.recent.sumSince(onset);
  }
}

function followChange(standing: Standing, change: Change, model: Model, i: number, slot: Slot): void {
  const { evidence, limit } = standing;
  standing.evidence = Math.min(
    Math.max(0, evidence + clamp(model.score(i))),
    Math.max(limit + headroom, evidence),
  );
  standing.clearing = Math.max(0, standing.clearing - clamp(model.scoreAsSeen(i)));
  if (standing.clearing < clearsAt) return;
  const { seen } = standing;
  Object.assign(standing, freshStanding(), { limit, seen, ended: { ...change, endedOn: slot.date } });
  model.drop(i);
}
