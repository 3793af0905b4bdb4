import type { Focus, LookFor } from '../../records/schema';

const tones: LookFor['tone'][] = ['wanted', 'neutral', 'unwanted'];

/** Order of look-fors: wanted, neutral, unwanted, each in the teacher's order. */
export function listedFirst(a: LookFor, b: LookFor): number {
  return tones.indexOf(a.tone) - tones.indexOf(b.tone) || a.position - b.position || (a.id < b.id ? -1 : 1);
}

/** What is offered to a class: its own and the shared ones, of look-fors or of sets. */
export function offeredTo<T extends { sectionId: string | null; removed: boolean }>(
  all: readonly T[],
  sectionId: string,
): T[] {
  return all.filter((one) => !one.removed && (one.sectionId === null || one.sectionId === sectionId));
}

/** The look-fors of a set, in its order; retired ones are not in it any more. */
export function lookForsOf(
  focus: Pick<Focus, 'lookForIds'> | undefined,
  lookFors: Readonly<Record<string, LookFor>>,
): LookFor[] {
  return (focus?.lookForIds ?? []).flatMap((id) => {
    const found = lookFors[id];
    return found && !found.removed ? [found] : [];
  });
}

/** In words: what it is and how it is taken down. */
export const toneWords: Record<LookFor['tone'], string> = {
  wanted: 'wanted',
  neutral: 'neutral',
  unwanted: 'unwanted',
};
export const measureWords: Record<LookFor['measure'], string> = {
  count: 'counted',
  tick: 'ticked once a lesson',
  seconds: 'timed',
};
