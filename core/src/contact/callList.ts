import type { HeardAtHome } from './line';

/** Somebody about whom home may be called. */
export interface Candidate extends HeardAtHome {
  studentId: string;
  /** The clearest concern that is open: since when, how strong (0 to 1), and its sentence. */
  concern: { since: string; strength: number; sentence: string } | null;
}

export interface CallList<T extends Candidate> {
  /** A concern of which home has not heard since it began, the clearest first. */
  toCall: T[];
  /** No contact with home since a day, or ever; whoever waits longest first. */
  longAgo: T[];
  /** Home has heard of worries, and never of anything good. */
  onlyWorries: T[];
}

/**
 * Whom to call. Somebody stands in the first list that fits.
 * @param since `YYYY-MM-DD`: contact before it is long ago
 */
export function callList<T extends Candidate>(candidates: readonly T[], since: string): CallList<T> {
  const isToCall = ({ concern, lastOn }: T) =>
    concern !== null && (lastOn === null || lastOn < concern.since);
  const isLongAgo = ({ lastOn }: T) => lastOn === null || lastOn < since;
  const toCall = candidates.filter(isToCall);
  const others = candidates.filter((one) => !isToCall(one));
  const onlyWorries = others.filter(({ good, worry }) => worry > 0 && good === 0);
  const rest = others.filter((one) => !onlyWorries.includes(one));
  return {
    toCall: toCall.toSorted((a, b) => (b.concern?.strength ?? 0) - (a.concern?.strength ?? 0)),
    longAgo: rest.filter(isLongAgo).toSorted((a, b) => (a.lastOn ?? '').localeCompare(b.lastOn ?? '')),
    onlyWorries: onlyWorries.toSorted((a, b) => b.worry - a.worry),
  };
}
