import type { Hold } from '@slate-path/core/observation/tallies/hold';

/** What is in hand, and what the next tap does with it. @param nameOf null is the whole class */
export function holdWords(
  hold: Hold,
  nameOf: (studentId: string | null) => string,
  lookFors: Readonly<Record<string, { name: string }>>,
): { bold: string; rest: string } {
  if (hold.what === 'student') return { bold: `${nameOf(hold.studentId)}:`, rest: 'tap what you saw.' };
  if (hold.what === 'lookFor')
    return { bold: `${lookFors[hold.lookForId]?.name ?? ''}:`, rest: 'tap who did.' };
  return { bold: '', rest: 'Tap a student or what you see.' };
}
