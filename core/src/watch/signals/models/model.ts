import type { Slot } from '../streams';

/**
 * What one stream of a class expects of each student, and how an observation speaks for a change.
 * It keeps three things apart for each student: the usual, learned from earlier times; the segment, seen
 * since suspicion began, from which the usual does not learn; and the class's shift at that time.
 */
export interface Model {
  /** So many observations of a student only teach what is usual: nothing is judged by them. */
  readonly warmUp: number;
  /** Gets ready for a slot: the class's own shift in it, and what all students' usuals have in common. */
  begin(slot: Slot): void;
  /** log(likelihood if changed / likelihood as usual) of student i's observation in the slot. */
  score(i: number): number;
  /** The same with the change as it has shown itself in the segment, for noticing that it is over. */
  scoreAsSeen(i: number): number;
  /** Adds the observation to the segment. */
  hold(i: number): void;
  /** The suspicion came to nothing: the usual learns from the segment. */
  learn(i: number): void;
  /** The segment belonged to a change: it is forgotten. */
  drop(i: number): void;
  /** What the observation adds to the sum that is told of, in the unit of the stream. */
  amount(i: number): number;
  /** What is usual for the student, in the unit of the stream. */
  usual(i: number): number;
  /** How much one observation as usual weighs against the change as seen: over 0. */
  weightAsUsual(i: number): number;
  /** What decides how often chance alone looks like a change; the limits are kept by it. */
  rarity(i: number): number;
}
