import { useMemo } from 'react';
import type { Records } from '@slate-path/core/records/records';
import type { Student, Tick, TickColumn } from '@slate-path/core/records/schema';
import { columnSums, type ColumnSums } from '@slate-path/core/ticks/columnSums';
import { inSheetOrder } from '@slate-path/core/ticks/sheetTable';
import { tickId } from '@slate-path/core/ticks/tickId';
import { isOwing } from '@slate-path/core/ticks/tickState';
import { useRecordsAfterPaint } from '../../sync/afterPaint';
import { useRecords, type RecordsState } from '../../sync/useRecords';
import { useClassList } from '../people/class/ofClass';

/** What stands in a column for a student; undefined where nothing does. */
export type TickOf = (column: TickColumn, studentId: string) => Tick | undefined;

export const tickIn =
  ({ tick }: Pick<Records, 'tick'>): TickOf =>
  (column, studentId) => {
    const found = tick[tickId(column.id, studentId)];
    return found && !found.removed ? found : undefined;
  };

/** The columns of a class in their order. */
export const columnsOf = ({ tickColumn }: Pick<Records, 'tickColumn'>, sectionId: string): TickColumn[] =>
  Object.values(tickColumn)
    .filter((column) => !column.removed && column.sectionId === sectionId)
    .sort(inSheetOrder);

export interface Sheet {
  students: Student[];
  columns: TickColumn[];
  tickOf: TickOf;
}

/** Who is in a class, and its columns; the same while only what stands in them changes. */
export function useColumns(sectionId: string): Omit<Sheet, 'tickOf'> {
  const { present } = useClassList(sectionId);
  const tickColumn = useRecords(({ current }) => current.tickColumn);
  return useMemo(
    () => ({
      students: present.map(({ student }) => student),
      columns: columnsOf({ tickColumn }, sectionId),
    }),
    [present, tickColumn, sectionId],
  );
}

const ticksIn = ({ current }: RecordsState) => current.tick;

/** What stands in the cells. */
export function useTickOf(): TickOf {
  const tick = useRecords(ticksIn);
  return useMemo(() => tickIn({ tick }), [tick]);
}

/** The same one frame late: for what is told beside the tile that was tapped. */
export function useTickOfAfterPaint(): TickOf {
  const tick = useRecordsAfterPaint(ticksIn);
  return useMemo(() => tickIn({ tick }), [tick]);
}

/** A class's tick-sheet as this device knows it. */
export function useSheet(sectionId: string): Sheet {
  const tickOf = useTickOf();
  const sheet = useColumns(sectionId);
  return useMemo(() => ({ ...sheet, tickOf }), [sheet, tickOf]);
}

export const sumsOf = ({ students, tickOf }: Sheet, column: TickColumn): ColumnSums =>
  columnSums(
    column,
    students.map(({ id }) => tickOf(column, id)),
  );

/** The columns in which a student still owes something. */
export const owedBy = ({ columns, tickOf }: Omit<Sheet, 'students'>, studentId: string): TickColumn[] =>
  columns.filter((column) => isOwing(column, tickOf(column, studentId)));
