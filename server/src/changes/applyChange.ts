import type { EntityManager } from 'typeorm';
import { editsOf } from '@slate-path/core/changes/editsOf';
import { aboutOf, Change, type ChangeAnswer } from '@slate-path/core/changes/schema';
import { ChangeEntity, type ChangeLine, type LoggedEdit } from '../database/entities';
import type { OpenDatabase } from '../database/open';
import { fieldErrors } from '../http/problem';
import { applyToRows, MissingRecord, type Stamp } from './applyEdits';
import { Rows } from './rows';
import { takeBack } from './undo';

/** A change that cannot be, with the reason; nothing of it is applied. */
class Refusal extends Error {}

function refused(id: string, reason: string, errors: ChangeAnswer['errors'] = []): ChangeAnswer {
  return { id, outcome: 'refused', overruled: [], reason, errors };
}

function applied(id: string, edits: LoggedEdit[]): ChangeAnswer {
  const overruled = edits
    .filter((edit) => edit.overruled.length > 0)
    .map(({ table, id: row, overruled: fields }) => ({ table, id: row, fields }));
  return { id, outcome: 'applied', overruled, reason: null, errors: [] };
}

/** Who sends a change, and the server's time. */
export interface Arrival {
  teacherId: string;
  receivedAt: string;
}

/** A device whose clock runs ahead does not win every argument for ever: its word counts from now. */
function stampFor(change: Change, arrival: Arrival): Stamp {
  const at = change.madeAt < arrival.receivedAt ? change.madeAt : arrival.receivedAt;
  return { at, by: change.id };
}

async function doneBy(manager: EntityManager, changeId: string, teacherId: string): Promise<ChangeLine> {
  const line = await manager.findOneBy(ChangeEntity, { id: changeId, teacherId });
  if (!line) throw new Refusal('There is nothing to take back: the change never arrived here.');
  if (line.kind === 'undo')
    throw new Refusal('This has been taken back already; make the change again instead.');
  return line;
}

interface Outcome {
  about: string | null;
  edits: LoggedEdit[];
}

async function perform(manager: EntityManager, change: Change, arrival: Arrival): Promise<Outcome> {
  const stamp = stampFor(change, arrival);
  const { teacherId } = arrival;
  if (change.kind === 'undo') {
    const line = await doneBy(manager, change.payload.changeId, teacherId);
    const rows = await Rows.load(manager, line.edits);
    const edits = takeBack(rows, line.id, line.edits, stamp);
    await rows.write();
    return { about: line.about, edits };
  }
  const wanted = editsOf(change);
  const rows = await Rows.load(manager, wanted);
  const foreign = wanted.find(({ table, id }) => (rows.get(table, id)?.teacherId ?? teacherId) !== teacherId);
  if (foreign) throw new MissingRecord(foreign.table, foreign.id);
  const edits = applyToRows(rows, wanted, teacherId, stamp);
  const dangling = await rows.danglingReference(teacherId);
  if (dangling) throw new Refusal(dangling);
  await rows.write();
  return { about: aboutOf(change), edits };
}

/** Plain SQL, for every mark takes this way; see `rowSql.ts`. */
const insertLine =
  'INSERT INTO "change" ("id", "teacherId", "kind", "about", "device", "madeAt", "receivedAt", "payload", "edits") ' +
  'VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)';

async function applyOnce(manager: EntityManager, change: Change, arrival: Arrival): Promise<ChangeAnswer> {
  const known = await manager.query<unknown[]>('SELECT 1 FROM "change" WHERE "id" = ?', [change.id]);
  if (known.length > 0) {
    const before = await manager.findOneByOrFail(ChangeEntity, { id: change.id });
    if (before.teacherId !== arrival.teacherId) throw new Refusal('This id is taken.');
    return applied(change.id, before.edits);
  }
  const { about, edits } = await perform(manager, change, arrival);
  const { id, kind, device, madeAt, payload } = change;
  const { teacherId, receivedAt } = arrival;
  const line = [
    id,
    teacherId,
    kind,
    about,
    device,
    madeAt,
    receivedAt,
    JSON.stringify(payload),
    JSON.stringify(edits),
  ];
  await manager.query(insertLine, line);
  return applied(id, edits);
}

function idOf(raw: unknown): string {
  const id = (raw as { id?: unknown } | null)?.id;
  return typeof id === 'string' ? id.slice(0, 64) : '';
}

/**
 * The one door for writes: reads, authorises and applies a change, and writes its line in the log,
 * all in one transaction. The same id again changes nothing and is answered the same.
 */
export async function applyChange(
  database: OpenDatabase,
  raw: unknown,
  arrival: Arrival,
): Promise<ChangeAnswer> {
  const parsed = Change.safeParse(raw);
  if (!parsed.success)
    return refused(idOf(raw), 'This change is not well formed.', fieldErrors(parsed.error));
  try {
    return await database.inTransaction((manager) => applyOnce(manager, parsed.data, arrival));
  } catch (error) {
    if (error instanceof Refusal || error instanceof MissingRecord)
      return refused(parsed.data.id, error.message);
    throw error;
  }
}
