import { applyEdits, type Edit } from '@slate-path/core/changes/edit';
import { editsOf } from '@slate-path/core/changes/editsOf';
import type { Change } from '@slate-path/core/changes/schema';
import { emptyRecords, type Records } from '@slate-path/core/records/records';

type Row = Record<string, unknown> & { id: string };

/** Who stamped a field last. */
interface Stamp {
  at: string;
  by: string;
}

const pageSize = 3;

/**
 * What a server does with changes and with who asks what changed, in the simplest way that is right: each change once,
 * each field by the later word, everybody told of every row since their cursor, page by page.
 */
export class ModelServer {
  private records: Records = emptyRecords();
  private readonly stamps = new Map<string, Stamp>();
  private log: { table: string; id: string }[] = [];
  /** How often each change was applied. */
  readonly applied = new Map<string, number>();
  /** Students of whom a device may see nothing any more, and how often that changed. */
  private readonly hidden = new Map<string, Set<string>>();
  private readonly epochs = new Map<string, number>();

  hide(device: string, studentId: string): void {
    this.hidden.set(device, (this.hidden.get(device) ?? new Set()).add(studentId));
    this.epochs.set(device, (this.epochs.get(device) ?? 0) + 1);
  }

  private sees(device: string, id: string): boolean {
    return !(this.hidden.get(device)?.has(id) ?? false);
  }

  /** The rows that a device may see, by table and id. */
  visibleTo(device: string): Row[] {
    return Object.values(this.records.student).filter(({ id }) => this.sees(device, id));
  }

  /** Lays a change's edits over the rows, each field decided by the later word. @returns the fields overruled */
  private lay(change: Change, edits: readonly Edit[]): string[] {
    const overruled: string[] = [];
    for (const edit of edits) {
      const known = (this.records[edit.table] as Record<string, Row | undefined>)[edit.id];
      if (edit.op !== 'set' && known && known['removed'] !== true) continue;
      const values = Object.entries(edit.values as Record<string, unknown>).filter(([field]) => {
        const key = `${edit.table} ${edit.id} ${field}`;
        const last = this.stamps.get(key);
        const isLater =
          !last || last.at < change.madeAt || (last.at === change.madeAt && last.by <= change.id);
        if (isLater) this.stamps.set(key, { at: change.madeAt, by: change.id });
        else overruled.push(field);
        return isLater;
      });
      this.records = applyEdits(this.records, [{ ...edit, values: Object.fromEntries(values) } as Edit]);
      this.log.push({ table: edit.table, id: edit.id });
    }
    return overruled;
  }

  take(device: string, changes: readonly Change[]) {
    const answers = changes.map((change) => {
      const { id } = change;
      const rest = { id, reason: null as string | null, errors: [] };
      if (this.applied.has(id)) return { ...rest, outcome: 'applied' as const, overruled: [] };
      const edits = editsOf(change as never);
      if (edits.some((edit) => !this.sees(device, edit.id)))
        return { ...rest, outcome: 'refused' as const, overruled: [], reason: 'Not yours any more.' };
      this.applied.set(id, 1 + (this.applied.get(id) ?? 0));
      return { ...rest, outcome: 'applied' as const, overruled: this.lay(change, edits) };
    });
    return { answers };
  }

  changesSince(device: string, cursor: string | undefined) {
    const epoch = String(this.epochs.get(device) ?? 0);
    const [known, seq] = (cursor ?? '').split(' ');
    const anew = known !== epoch;
    const from = anew ? 0 : Number(seq);
    const page = this.log.slice(from, from + pageSize);
    const ids = new Set(page.map(({ id }) => id));
    return {
      student: this.visibleTo(device).filter(({ id }) => ids.has(id)),
      anew,
      cursor: `${epoch} ${from + page.length}`,
      more: from + page.length < this.log.length,
    };
  }
}
