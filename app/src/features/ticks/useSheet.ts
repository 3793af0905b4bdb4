import { useMemo } from 'react';
import { listOf, type Records } from '@slate-path/core/records/records';
import type { Student, Tick, TickColumn } from '@slate-path/core/records/schema';
import { columnSums, type ColumnSums } from '@slate-path/core/ticks/columnSums';
import { inSheetOrder } from '@slate-path/core/ticks/sheetTable';
import { tickId } from '@slate-path/core/ticks/tickId';
import { isOwing } from '@slate-path/core/ticks/tickState';
import { useRecords } from '../../sync/useRecords';
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
export const columnsOf = (records: Records, sectionId: string): TickColumn[] =>
  listOf(records, 'tickColumn')
    .filter((column) => column.sectionId === sectionId)
    .sort(inSheetOrder);

export interface Sheet {
  students: Student[];
  columns: TickColumn[];
  tickOf: TickOf;
}

/** A class's tick-sheet as this device knows it. */
export function useSheet(sectionId: string): Sheet {
  const { present } = useClassList(sectionId);
  const current = useRecords((state) => state.current);
  return useMemo(
    () => ({
      students: present.map(({ student }) => student),
      columns: columnsOf(current, sectionId),
      tickOf: tickIn(current),
    }),
    [present, current, sectionId],
  );
}

export const sumsOf = ({ students, tickOf }: Sheet, column: TickColumn): ColumnSums =>
  columnSums(
    column,
    students.map(({ id }) => tickOf(column, id)),
  );

/** The columns in which a student still owes something. */
export const owedBy = ({ columns, tickOf }: Omit<Sheet, 'students'>, studentId: string): TickColumn[] =>
  columns.filter((column) => isOwing(column, tickOf(column, studentId)));
