import type { RecordLists, Records } from '../../records/records';
import { tickId } from '../../ticks/tickId';
import type { ArchiveRows } from './archiveRows';
import { inOrder } from './keptRecords';
import type { Archive } from './tables';

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
