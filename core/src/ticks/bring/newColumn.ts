import { foldName } from '../../people/names';
import { longestChoice, longestTickName, mostChoices, type TickKind } from '../limits';
import type { TickColumn } from '../../records/schema';
import { titleOf } from '../../work/bring/titleOf';
import { readNumber, readTick } from '../readTick';
import type { SheetColumn } from './readSheet';

export type ReadDay = (written: string) => string | null;

const blank = { dueOn: null, legend: '', most: null, unit: '', choices: [], shown: false, removed: false };
/** So few different words, each so often on average, are choices. */
const choice = { most: 8, times: 2.5 };

const asTick = { ...blank, id: '', sectionId: '', name: '', number: 1, kind: 'tick' } as const;

/** What kind of column a file's is, by what stands in it. */
function kindOf(
  written: readonly string[],
  points: number | null,
  readDay: ReadDay,
): Partial<TickColumn> & { kind: TickKind } {
  if (written.length === 0) return points === null ? { kind: 'tick' } : { kind: 'ofMany', most: points };
  const column = { ...asTick, choices: [] };
  const said = written.filter((text) => {
    const read = readTick(column, text, readDay);
    return 'problem' in read ? false : read.value !== null || !read.exempt;
  });
  const counted = written.every((text) => readNumber(text) !== null);
  const onlyOnes = counted && written.every((text) => ['0', '1'].includes(text));
  if (said.length === written.length && (!counted || onlyOnes) && points === null) return { kind: 'tick' };
  const parts = written.flatMap((text) => /^(\d+(?:[.,]\d+)?)\s*(?:\/|of)\s*(\d+)$/i.exec(text)?.[2] ?? []);
  const of = new Set(parts);
  if (parts.length === written.length && of.size === 1) return { kind: 'ofMany', most: Number(parts[0]) };
  if (counted && points !== null) return { kind: 'ofMany', most: points };
  if (counted) return { kind: 'number' };
  if (written.every((text) => readDay(text) !== null)) return { kind: 'date' };
  const different = [...new Map(written.map((text) => [foldName(text), text])).values()];
  const isChoice =
    different.length <= Math.min(choice.most, mostChoices) &&
    written.length / different.length >= choice.times &&
    different.every((text) => text.length <= longestChoice);
  return isChoice ? { kind: 'choice', choices: different } : { kind: 'text' };
}

/** A column that is made of a file's, with the kind that fits what stands in it. */
export function newColumn(
  { heading, cells }: SheetColumn,
  {
    id,
    sectionId,
    number,
    name,
    readDay,
  }: Pick<TickColumn, 'id' | 'sectionId' | 'number' | 'name'> & { readDay: ReadDay },
): TickColumn {
  const { title, points } = titleOf(heading.trim());
  const asked = cells
    .map(({ written }) => written)
    .filter((text) => !['n/a', 'na', 'exempt'].includes(text.toLowerCase()));
  return {
    ...blank,
    ...{ id, sectionId, number, name: (name || title).slice(0, longestTickName) },
    ...kindOf(asked, points, readDay),
  };
}
