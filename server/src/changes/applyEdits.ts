import type { Edit } from '@slate-path/core/changes/edit';
import type { LoggedEdit, Row } from '../database/entities';
import type { Rows } from './rows';

/** When a value was decided, and by which change. */
export interface Stamp {
  at: string;
  by: string;
}

/** What a change says, and how it stands to what was said before. */
export interface Word {
  stamp: Stamp;
  /** Was that change made by the same device? It sends its own in the order in which they were made. */
  isOwn: (changeId: string) => boolean;
}

/** A record's fields all have the stamp of its making, until one is decided anew. */
const everyField = '*';

/** Who decided a field last. */
export function stampOf(row: Row, field: string): Stamp {
  return row.stamps[field] ?? row.stamps[everyField] ?? { at: '', by: '' };
}

function isLater(a: Stamp, b: Stamp): boolean {
  return a.at === b.at ? a.by > b.by : a.at > b.at;
}

/**
 * Decides some fields of a row, each only if this is the later word on it. What a device says about its own word
 * is later, whatever its clock says now, and is stamped no earlier than what it corrects.
 */
export function setFields(row: Row, values: Record<string, unknown>, { stamp, isOwn }: Word): LoggedEdit {
  const logged: LoggedEdit = {
    op: 'set',
    table: 'school',
    id: row.id,
    before: {},
    beforeBy: {},
    after: {},
    overruled: [],
  };
  for (const [field, value] of Object.entries(values)) {
    const last = stampOf(row, field);
    if (last.by !== stamp.by && !isLater(stamp, last) && !isOwn(last.by)) {
      logged.overruled.push(field);
      continue;
    }
    Object.assign(logged.before as object, { [field]: row[field] });
    logged.beforeBy[field] = last.by;
    logged.after[field] = value;
    row[field] = value;
    const at = stamp.at > last.at ? stamp.at : last.at;
    row.stamps = { ...row.stamps, [field]: { at, by: stamp.by } };
  }
  return logged;
}

function make(rows: Rows, edit: Edit, teacherId: string, stamp: Stamp): LoggedEdit {
  const { table, id } = edit;
  const stamps = { [everyField]: stamp };
  rows.make(table, { ...edit.values, id, teacherId, scopeId: '', removed: false, stamps });
  return { op: 'make', table, id, before: null, beforeBy: {}, after: { ...edit.values }, overruled: [] };
}

/** Lays a change's edits over its rows, each field decided by the later word. @returns what was done, for the log */
export function applyToRows(rows: Rows, edits: Edit[], teacherId: string, word: Word): LoggedEdit[] {
  return edits.flatMap((edit): LoggedEdit[] => {
    const row = rows.get(edit.table, edit.id);
    if (!row && edit.op === 'set') throw new MissingRecord(edit.table, edit.id);
    if (!row) {
      const logged = make(rows, edit, teacherId, word.stamp);
      // What is only ensured stays when the change is taken back, so it is no part of its inverse.
      return edit.op === 'make' ? [logged] : [];
    }
    const revive = edit.op === 'make' && row.removed;
    if (edit.op !== 'set' && !revive) return [];
    rows.touch(edit.table, edit.id);
    const logged = setFields(row, edit.op === 'set' ? edit.values : { removed: false }, word);
    return [{ ...logged, table: edit.table }];
  });
}

export class MissingRecord extends Error {
  constructor(
    readonly table: string,
    readonly id: string,
  ) {
    super(`There is no ${table} ${id} any more, so it cannot be changed.`);
  }
}
