import type { LookFor } from '../../records/schema';
import { listed } from '../../words/listed';
import type { MemberShare } from './shares';

const times = (count: number) => (count === 1 ? 'once' : count === 2 ? 'twice' : `${count} times`);

const lower = (name: string) => name.charAt(0).toLowerCase() + name.slice(1);

/**
 * One sentence to give back to a student after a circle, drafted from what was counted; the teacher edits it.
 * @param name as the student is addressed
 */
export function draftFeedback(
  name: string,
  { spoken, moves, goal }: MemberShare,
  lookFors: Readonly<Record<string, LookFor>>,
): string {
  const nameOf = (lookForId: string) => lower(lookFors[lookForId]?.name ?? 'something no longer listed');
  if (spoken === 0) {
    const next = goal ? ` Your goal stays: ${nameOf(goal.lookForId)}.` : '';
    return `${name}, you listened all through; next time let us hear you at least once.${next}`;
  }
  const said = (unwanted: boolean) =>
    moves
      .filter(({ lookForId }) => (lookFors[lookForId]?.tone === 'unwanted') === unwanted)
      .map(({ lookForId, count }) => `${nameOf(lookForId)} ${times(count)}`);
  const [good, poor] = [said(false), said(true)];
  const parts = [
    `${name}, you spoke ${times(spoken)}`,
    good.length > 0 ? `: ${listed(good)}` : '',
    poor.length > 0 ? `${good.length > 0 ? '; but' : ':'} ${listed(poor)}` : '',
    '.',
  ].join('');
  if (!goal) return parts;
  const aim = `${nameOf(goal.lookForId)}${goal.wanted > 1 ? ` ${times(goal.wanted)}` : ''}`;
  return `${parts} Your goal, ${aim}, is ${goal.reached ? 'reached' : `not reached yet (${goal.count} of ${goal.wanted})`}.`;
}
