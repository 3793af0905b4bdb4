import type { Model } from './models/model';
import type { Slot } from './streams';

/** One observation counts at most so much, for or against: a single odd lesson makes no concern. */
export const largestScore = 3;
/** Evidence (log of 20 to 1) that a change is over. */
export const clearsAt = Math.log(20);
/** A change is known for so much more than its limit at most, so that it can end. */
const headroom = 2;

/** A change of one student in one stream that is thought to go on. */
export interface Change {
  since: string;
  /** Lessons held before its beginning. */
  sinceLesson: number;
  noticed: string;
  noticedLesson: number;
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
  /** Seen since suspicion began. */
  count: number;
  sum: number;
  exposure: number;
  /** When suspicion began: the first lesson after the last zero. */
  startDate: string;
  startLesson: number;
  /** All observations so far. */
  seen: number;
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
    count: 0,
    sum: 0,
    exposure: 0,
    startDate: '',
    startLesson: 0,
    seen: 0,
  };
}

function startOver(standing: Standing): void {
  standing.evidence = 0;
  standing.clearing = 0;
  standing.count = 0;
  standing.sum = 0;
  standing.exposure = 0;
}

export interface NextLesson {
  date: string;
  lesson: number;
}

/**
 * Lets one observation of one student speak: a one-sided CUSUM of log likelihood ratios. The evidence
 * adds up, never below zero; from the limit on it is a change, whose onset is the lesson after the
 * last zero. Then the same sum the other way round tells when it is over.
 * @param lastZero the lesson after which suspicion would begin, if it begins now
 * Source: Page (1954), Biometrika 41, 100-115; onset: Hinkley (1970), Biometrika 57, 1-17.
 */
export function follow(
  standing: Standing,
  model: Model,
  i: number,
  slot: Slot,
  limit: number,
  begins: NextLesson,
): void {
  standing.seen += 1;
  standing.limit = limit;
  const value = model.amount(i);
  const exposure = slot.exposure?.[i] ?? 1;
  if (standing.change) {
    standing.evidence = Math.min(
      Math.max(0, standing.evidence + clamp(model.score(i))),
      Math.max(limit + headroom, standing.evidence),
    );
    standing.clearing = Math.max(0, standing.clearing - clamp(model.scoreAsSeen(i)));
    count(standing, value, exposure);
    if (standing.clearing < clearsAt) return;
    standing.ended = { ...standing.change, endedOn: slot.date };
    standing.change = null;
    model.drop(i);
    startOver(standing);
    return;
  }
  if (standing.count === 0) {
    standing.startDate = begins.date;
    standing.startLesson = begins.lesson;
  }
  if (standing.seen > model.warmUp) standing.evidence += clamp(model.score(i));
  model.hold(i);
  count(standing, value, exposure);
  if (standing.evidence <= 0) {
    model.learn(i);
    startOver(standing);
  } else if (standing.evidence >= limit) {
    standing.change = {
      since: standing.startDate,
      sinceLesson: standing.startLesson,
      noticed: slot.date,
      noticedLesson: slot.lesson,
    };
  }
}

function count(standing: Standing, value: number, exposure: number): void {
  standing.count += 1;
  standing.sum += value;
  standing.exposure += exposure;
}
