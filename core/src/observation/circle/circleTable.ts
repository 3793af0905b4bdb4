import type { Circle, CircleMember, LookFor } from '../../records/schema';
import type { TableCell } from '../../attendance/roll/rollTable';
import { draftFeedback } from './feedback';
import type { CircleShares } from './shares';

export interface CircleLine {
  member: CircleMember;
  /** As the student is addressed, and as the list has it. */
  calledName: string;
  name: string;
}

/** What is given back to a student: what the teacher wrote, else the draft from the counts. */
export function feedbackOf(
  { member, calledName }: Pick<CircleLine, 'member' | 'calledName'>,
  shares: CircleShares,
  lookFors: Readonly<Record<string, LookFor>>,
): string {
  if (member.feedback) return member.feedback;
  const share = shares.members.find(({ studentId }) => studentId === member.studentId);
  return share ? draftFeedback(calledName, share, lookFors) : '';
}

/** What a student sets out to do, and how often; empty for nothing. */
export function aimWords(
  lookForId: string | null,
  count: number | null,
  lookFors: Readonly<Record<string, LookFor>>,
): string {
  return lookForId === null ? '' : `${lookFors[lookForId]?.name ?? ''} (${count ?? 1})`;
}

/** A circle as a table: a student a line, in the order of the seats. */
export function circleTable(
  circle: Pick<Circle, 'lookForIds'>,
  lines: readonly CircleLine[],
  shares: CircleShares,
  lookFors: Readonly<Record<string, LookFor>>,
): TableCell[][] {
  const ids = [
    ...new Set([
      ...circle.lookForIds,
      ...shares.members.flatMap(({ moves }) => moves.map((m) => m.lookForId)),
    ]),
  ];
  const nameOf = (id: string | null) => (id === null ? '' : (lookFors[id]?.name ?? ''));
  const aim = (id: string | null, count: number | null) => aimWords(id, count, lookFors);
  const heading = [
    'Student',
    'Times spoken',
    'Percent of talk',
    ...ids.map(nameOf),
    'Goal',
    'Reached',
    'Feedback',
    'Next goal',
  ];
  return [
    heading,
    ...lines.map((line): TableCell[] => {
      const { member } = line;
      const share = shares.members.find(({ studentId }) => studentId === member.studentId);
      return [
        line.name,
        share?.spoken ?? 0,
        Math.round((share?.share ?? 0) * 1000) / 10,
        ...ids.map((id) => share?.moves.find(({ lookForId }) => lookForId === id)?.count ?? 0),
        aim(member.goalLookForId, member.goalCount),
        share?.goal ? (share.goal.reached ? 'yes' : 'no') : '',
        feedbackOf(line, shares, lookFors),
        aim(member.nextLookForId, member.nextCount),
      ];
    }),
  ];
}
