import { monotonicFactory } from 'ulid';
import { fromRecords } from '@slate-path/core/keeping/archive/fromRecords';
import { writeArchive } from '@slate-path/core/keeping/archive/writeArchive';
import { localMoment } from '@slate-path/core/calendar/zone';
import { applyEdits, type Edit } from '@slate-path/core/changes/edit';
import { editsOf } from '@slate-path/core/changes/editsOf';
import type { ChangeOf, KindName } from '@slate-path/core/changes/schema';
import { emptyRecords, mergeRecords, type RecordLists } from '@slate-path/core/records/records';
import { tableNames } from '@slate-path/core/records/tables';

/** A term as it is written down day by day, and put into an archive at its end. */
export class TermBook {
  private readonly nextUlid = monotonicFactory();
  private readonly edits: Edit[] = [];

  id(at: number): string {
    return this.nextUlid(at);
  }

  add<K extends KindName>(kind: K, payload: ChangeOf<K>['payload'], at: number): void {
    const change = { id: this.id(at), kind, payload, madeAt: new Date(at).toISOString(), device: 'demo' };
    this.edits.push(...editsOf(change as unknown as ChangeOf<KindName>));
  }

  /** @param setUp what was there before the first day @param now in milliseconds: later lessons lie ahead */
  archive(setUp: RecordLists, zone: string, now: number): Uint8Array {
    const records = applyEdits(mergeRecords(emptyRecords(), setUp), this.edits);
    const lists = Object.fromEntries(
      tableNames.map((table) => [table, Object.values(records[table])]),
    ) as RecordLists;
    return writeArchive(fromRecords(lists, { zone, now: localMoment(now, zone) }), zone);
  }
}
