import type { LoggedEdit } from '../database/entities';
import { setFields, stampOf, type Word } from './applyEdits';
import type { Rows } from './rows';

/**
 * Takes back what a change did, record by record from the last: a record it made is removed, a
 * field it set gets its former value. A field that a later change has decided since is left alone,
 * and said to be.
 * @param changeId the change to take back @param done what it did, from the log
 */
export function takeBack(rows: Rows, changeId: string, done: LoggedEdit[], said: Word): LoggedEdit[] {
  // Taking back is later than what it takes back, whatever the clocks say.
  const word: Word = { ...said, isOwn: (by) => by === changeId || said.isOwn(by) };
  return done.toReversed().flatMap((edit): LoggedEdit[] => {
    const row = rows.get(edit.table, edit.id);
    if (!row) return [];
    rows.touch(edit.table, edit.id);
    if (edit.op === 'make') return [{ ...setFields(row, { removed: true }, word), table: edit.table }];
    const fields = Object.keys(edit.after);
    const still = fields.filter((field) => stampOf(row, field).by === changeId);
    const former = Object.fromEntries(still.map((field) => [field, edit.before?.[field]]));
    const undone = setFields(row, former, word);
    // The former value is again the word of whoever gave it, so that it can be taken back in turn.
    for (const field of Object.keys(undone.after))
      row.stamps = {
        ...row.stamps,
        [field]: { at: stampOf(row, field).at, by: edit.beforeBy[field] ?? '' },
      };
    const overruled = fields.filter((field) => !still.includes(field));
    return [{ ...undone, table: edit.table, overruled: [...overruled, ...undone.overruled] }];
  });
}
