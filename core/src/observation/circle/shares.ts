import { groupBy } from '../../records/groupBy';
import type { CircleMember, LookFor, Tally } from '../../records/schema';
import { gini } from './gini';

/** One student's part in a circle. */
export interface MemberShare {
  studentId: string;
  /** Times spoken: every counted or ticked move. */
  spoken: number;
  /** Of all that was said, 0 to 1. */
  share: number;
  /** By look-for, in the order of the focus; none are left out. */
  moves: { lookForId: string; count: number }[];
  unhelpful: number;
  /** Null without a goal. */
  goal: { lookForId: string; wanted: number; reached: boolean; count: number } | null;
}

export interface CircleShares {
  members: MemberShare[];
  spoken: number;
  unheard: string[];
  gini: number;
}

type Member = Pick<CircleMember, 'studentId' | 'goalLookForId' | 'goalCount'>;
type Said = Pick<Tally, 'studentId' | 'lookForId' | 'amount' | 'removed'>;

const sum = (tallies: readonly Said[]) =>
  Math.max(
    tallies.reduce((total, { amount }) => total + (amount ?? 0), 0),
    0,
  );

function memberShare(
  member: Member,
  own: readonly Said[],
  lookFors: readonly LookFor[],
  total: number,
): MemberShare {
  const byLookFor = groupBy(own, ({ lookForId }) => lookForId);
  const countOf = (lookForId: string) => sum(byLookFor.get(lookForId) ?? []);
  const moves = lookFors
    .map(({ id }) => ({ lookForId: id, count: countOf(id) }))
    .filter(({ count }) => count > 0);
  const spoken = moves.reduce((all, { count }) => all + count, 0);
  const unwanted = new Set(lookFors.filter(({ tone }) => tone === 'unwanted').map(({ id }) => id));
  const { goalLookForId, goalCount } = member;
  const reachedCount = goalLookForId === null ? 0 : countOf(goalLookForId);
  return {
    studentId: member.studentId,
    spoken,
    share: total === 0 ? 0 : spoken / total,
    moves,
    unhelpful: moves
      .filter(({ lookForId }) => unwanted.has(lookForId))
      .reduce((all, { count }) => all + count, 0),
    goal:
      goalLookForId === null
        ? null
        : {
            lookForId: goalLookForId,
            wanted: goalCount ?? 1,
            count: reachedCount,
            reached: reachedCount >= (goalCount ?? 1),
          },
  };
}

/**
 * Who said how much of what in a circle.
 * @param tallies of this circle; timed look-fors are not times spoken and stay out
 * @param lookFors all that may occur in it, retired ones too
 */
export function circleShares(
  members: readonly Member[],
  tallies: readonly Said[],
  lookFors: readonly LookFor[],
): CircleShares {
  const moves = lookFors.filter(({ measure }) => measure !== 'seconds');
  const known = new Set(moves.map(({ id }) => id));
  const said = tallies.filter(({ removed, lookForId }) => !removed && known.has(lookForId));
  const byStudent = groupBy(said, ({ studentId }) => studentId ?? '');
  const shares = (total: number) =>
    members.map((member) => memberShare(member, byStudent.get(member.studentId) ?? [], moves, total));
  const spoken = shares(0).reduce((all, member) => all + member.spoken, 0);
  const found = shares(spoken);
  return {
    members: found,
    spoken,
    unheard: found.filter((member) => member.spoken === 0).map(({ studentId }) => studentId),
    gini: gini(found.map((member) => member.spoken)),
  };
}
