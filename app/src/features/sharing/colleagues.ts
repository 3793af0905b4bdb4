import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { dayMonth } from '../../parts/dates';
import { useAccount } from '../../sync/account';
import { useView } from '../../sync/views';

export type Colleagues = AnswerOf<'colleagues'>;
export type Teaching = Colleagues['teachings'][number];
export type ClassRole = Teaching['role'];

/** Who belongs to the school and who teaches which class, as far as this device was told. */
export function useColleagues(): Colleagues | undefined {
  return useView(addressOf('colleagues')).answer;
}

export const nameOf = ({ members }: Colleagues, personId: string): string =>
  members.find(({ id }) => id === personId)?.name ?? 'Somebody who left';

const does: Record<ClassRole, string> = { teacher: 'teaches', assistant: 'assists', cover: 'covers' };
const shared: Record<ClassRole, string> = { teacher: 'with', assistant: 'assisted by', cover: 'covered by' };

/** As in ` 23 Nov to 27 Nov`; empty without bounds. */
function daysWords({ startsOn, endsOn }: Teaching): string {
  if (startsOn === null || endsOn === null) return '';
  if (startsOn === endsOn) return ` on ${dayMonth(startsOn)}`;
  return ` ${dayMonth(startsOn)} to ${dayMonth(endsOn)}`;
}

/** As in `covers 23 Nov to 27 Nov`. */
export const teachingWords = (teaching: Teaching): string => `${does[teaching.role]}${daysWords(teaching)}`;

/** What whoever looks is in a class; a teacher until the server has told otherwise. */
export function useClassRole(sectionId: string): ClassRole {
  const colleagues = useColleagues();
  const myId = useAccount(({ teacherId }) => teacherId);
  const mine = (colleagues?.teachings ?? []).filter(
    (teaching) => teaching.sectionId === sectionId && teaching.personId === myId,
  );
  if (mine.length === 0 || mine.some(({ role }) => role === 'teacher')) return 'teacher';
  return mine.some(({ role }) => role === 'cover') ? 'cover' : 'assistant';
}

/** Those who share a class with whoever looks, as in `with Bela Roth`; empty where nobody does. */
export function useSharedWith(sectionId: string): string {
  const colleagues = useColleagues();
  const myId = useAccount(({ teacherId }) => teacherId);
  if (!colleagues) return '';
  const others = colleagues.teachings.filter(
    ({ sectionId: of, personId }) => of === sectionId && personId !== myId,
  );
  return others
    .map(
      (teaching) => `${shared[teaching.role]} ${nameOf(colleagues, teaching.personId)}${daysWords(teaching)}`,
    )
    .join(', ');
}
