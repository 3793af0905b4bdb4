import { z } from 'zod';
import type { RecordLists, Records } from '../../records/records';
import { tickKinds } from '../../ticks/limits';
import { tickId } from '../../ticks/tickId';
import type { ArchiveRows } from './archiveRows';
import { ArchiveId, Day, Decimal, emptyIsNull, Flag, oneOf, Text, Whole } from './cells';
import { inOrder } from './keptRecords';
import type { Archive } from './tables';

/** Tick-sheets as files: what is kept of each student, and what stands there. */
export const tickTables = {
  tick_columns: {
    row: z.object({
      id: ArchiveId,
      section_id: ArchiveId,
      number: Whole,
      name: Text,
      kind: oneOf(tickKinds),
      due_on: emptyIsNull(Day),
      legend: Text,
      most: emptyIsNull(Decimal),
      unit: Text,
      choices: Text,
      shown: Flag,
    }),
    key: ['id'],
    pointsAt: { section_id: 'sections' },
  },
  ticks: {
    row: z.object({
      column_id: ArchiveId,
      student_id: ArchiveId,
      value: emptyIsNull(Text),
      on: emptyIsNull(Day),
      owes: emptyIsNull(Decimal),
      exempt: Flag,
    }),
    key: ['column_id', 'student_id'],
    pointsAt: { column_id: 'tick_columns', student_id: 'students' },
  },
} as const;

/** Between choices; one with such a sign in it stands whole in `more`. */
const between = '; ';

export function addTicks(writer: ArchiveRows, records: Records): void {
  writer.addAll(
    'tick_columns',
    inOrder(records, 'tickColumn').map(({ id, sectionId, dueOn, choices, removed: _removed, ...row }) => ({
      ...{ ...row, id, section_id: sectionId, due_on: dueOn },
      choices: choices.join(between),
    })),
  );
  writer.addAll(
    'ticks',
    inOrder(records, 'tick').map(({ columnId, studentId, value, on, owes, exempt }) => ({
      ...{ column_id: columnId, student_id: studentId, value, on, owes, exempt },
    })),
  );
}

/** The tick-sheets of an archive. */
export function ticksOf(archive: Archive): Pick<RecordLists, 'tickColumn' | 'tick'> {
  return {
    tickColumn: archive.tick_columns.map(({ section_id: sectionId, due_on: dueOn, ...row }) => ({
      removed: false,
      ...{ id: row.id, sectionId, number: row.number, name: row.name, kind: row.kind, dueOn },
      ...{ legend: row.legend, most: row.most, unit: row.unit, shown: row.shown },
      choices: row.choices === '' ? [] : row.choices.split(between),
    })),
    tick: archive.ticks.map(({ column_id: columnId, student_id: studentId, value, on, owes, exempt }) => ({
      removed: false,
      ...{ id: tickId(columnId, studentId), columnId, studentId, value, on, owes, exempt },
    })),
  };
}
