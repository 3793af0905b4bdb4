import type { Draw, StudentGroup } from '@slate-path/core/records/schema';

/** Among whom lots are drawn: a class, or the whole school. */
export interface DrawPool {
  sectionId: string | null;
  /** What it is called on the big screen. */
  name: string;
  /** The days whose nods count. */
  from: string;
  to: string;
  groups: readonly StudentGroup[];
  /** How many nods everybody has who can be drawn now. @param group empty for everybody */
  countsOf: (group: string, at: string) => ReadonlyMap<string, number>;
  /** The draws so far, the latest first. */
  earlier: readonly Draw[];
  nameOf: (studentId: string) => string;
}

/** Draws with the latest first. */
export const latestFirst = (draws: readonly Draw[]): Draw[] =>
  [...draws].sort((a, b) => (a.at < b.at || (a.at === b.at && a.id < b.id) ? 1 : -1));
