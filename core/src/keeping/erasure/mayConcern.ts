import { foldName } from '../../people/names';
import type { ErasedNames } from './eraseNames';

/**
 * A quick look before a thorough one: whether a text, or a record written as JSON, can have anything of a student
 * in it. It may say yes for nothing, never no for something.
 * @param ids of the student and of the records that go with them
 */
export function mayConcern(
  studentId: string,
  ids: ReadonlySet<string>,
  { all, exact }: Pick<ErasedNames, 'all' | 'exact'>,
): (text: string) => boolean {
  const words = [...all];
  return (text) => {
    if (text.includes(studentId) || text.split('"').some((part) => ids.has(part))) return true;
    const folded = foldName(text).replace(/['’ʼ]/g, '');
    if (words.some((word) => folded.includes(word))) return true;
    const lower = text.toLowerCase();
    return exact.some((known) => lower.includes(known));
  };
}
