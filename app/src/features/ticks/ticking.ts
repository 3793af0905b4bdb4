import { useCallback } from 'react';
import { localMoment } from '@slate-path/core/calendar/zone';
import type { TickColumn } from '@slate-path/core/records/schema';
import type { TickToSet } from '@slate-path/core/ticks/changes';
import { mostTicksAtOnce } from '@slate-path/core/ticks/limits';
import { ticksHistory } from '@slate-path/core/ticks/tickId';
import { now, zoneOf } from '../../sync/clock';
import { makeChange, type Concerns } from '../../sync/outbox';
import { useRecords } from '../../sync/useRecords';

/** The school's present day. */
export function today(): string {
  const { school } = useRecords.getState().current;
  return localMoment(now(), zoneOf(Object.values(school)[0])).date;
}

/** What becomes of a cell. */
export type CellToSet = Omit<TickToSet, 'columnId' | 'studentId'>;

/** Writes into one column, of one student or of many at once. */
export function setCells(
  { id: columnId }: TickColumn,
  cells: readonly (readonly [studentId: string, cell: CellToSet])[],
): void {
  const ticks = cells.map(([studentId, cell]) => ({ columnId, studentId, ...cell }));
  for (let at = 0; at < ticks.length; at += mostTicksAtOnce)
    makeChange('tick.set', { ticks: ticks.slice(at, at + mostTicksAtOnce) }, ticksHistory);
}

/** Which part of what was done to tick-sheets a page is about: one class, or one column of it. */
export function useConcerns(sectionId: string, columnId?: string): Concerns {
  return useCallback(
    ({ table, id }) => {
      if (table !== 'tick' && table !== 'tickColumn') return false;
      const of = table === 'tick' ? id.slice(0, id.indexOf('.')) : id;
      if (columnId !== undefined) return of === columnId;
      return useRecords.getState().current.tickColumn[of]?.sectionId === sectionId;
    },
    [sectionId, columnId],
  );
}
