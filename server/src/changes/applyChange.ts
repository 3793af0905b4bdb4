import { editsOf } from '@slate-path/core/changes/editsOf';
import { aboutOf, Change, type ChangeAnswer } from '@slate-path/core/changes/schema';
import { forget } from '@slate-path/core/keeping/erasure/forget';
import { takeBackActions } from '../database/activity/writeActions';
import { takeBackBulk } from '../database/bulkRows';
import type { LoggedEdit } from '../database/entities';
import type { OpenDatabase } from '../database/open';
import type { Sql } from '../database/sql';
import { erasedStudents } from '../keeping/erasure/erased';
import { fieldErrors } from '../http/problem';
import { MissingRecord, type Word } from './applyEdits';
import { deviceOf, logged, writeLine, type Arrival, type LoggedChange } from './log';
import { everyoneBeside, scopesOf } from '../scopes/access';
import { tell, tellBeside } from '../scopes/news';
import { NotAllowed } from '../scopes/writer';
import { takeBack } from './undo';
import { DanglingReference, writeEdits, writeRows, type Written } from './writeEdits';

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

/** A device whose clock runs ahead does not win every argument for ever: its word counts from now. */
function wordOf(sql: Sql, { id, madeAt, device }: Change, { receivedAt, teacherId }: Arrival): Word {
  return {
    stamp: { at: madeAt < receivedAt ? madeAt : receivedAt, by: id },
    isOwn: (changeId) => deviceOf(sql, changeId, teacherId) === device,
  };
}

/** What the log says of a change that is to be taken back. */
function doneBy(sql: Sql, changeId: string, teacherId: string): LoggedChange {
  const line = logged(sql, changeId);
  if (line?.teacherId !== teacherId)
    throw new Refusal('There is nothing to take back: the change never arrived here.');
  if (line.kind === 'undo')
    throw new Refusal('This has been taken back already; make the change again instead.');
  return line;
}

/** Written in bulk: the log says only how many there were. One from before that has its edits. */
function isBulk({ kind, edits }: LoggedChange): boolean {
  if (edits.length > 0) return false;
  if (kind === 'archive.goBack')
    throw new Refusal('Going back to a backup is taken back by going back to the one made just before it.');
  return kind === 'archive.bring';
}

interface Outcome extends Written {
  about: string | null;
}

function perform(sql: Sql, change: Change, arrival: Arrival): Outcome {
  const word = wordOf(sql, change, arrival);
  const { teacherId, heard } = arrival;
  if (change.kind === 'undo') {
    const { changeId, recordIds } = change.payload;
    const line = doneBy(sql, changeId, teacherId);
    // Views that look for changes of a kind are older than what takes one back.
    const author = { teacherId, kind: line.kind, heard };
    if (line.kind === 'activity.bring') {
      // No device holds actions: only views are older now.
      const stamp = { at: arrival.receivedAt, by: change.id };
      takeBackActions(sql, changeId, teacherId, stamp);
      const told = { kind: line.kind, changeId: change.id };
      for (const other of tellBeside(sql, teacherId, new Set([line.about ?? '']), told)) heard?.add(other);
      return { about: line.about, edits: [], scopes: new Set() };
    }
    if (isBulk(line)) {
      takeBackBulk(sql, changeId, teacherId, { at: arrival.receivedAt, by: change.id });
      const others = everyoneBeside(sql, teacherId);
      tell(sql, others, { kind: line.kind, changeId: change.id });
      for (const other of others) heard?.add(other);
      return { about: line.about, edits: [], scopes: new Set(scopesOf(sql, teacherId)) };
    }
    const wanted = recordIds && new Set(recordIds);
    const done = wanted ? line.edits.filter(({ id }) => wanted.has(id)) : line.edits;
    const undone = writeRows(sql, done, author, word, (rows) => takeBack(rows, changeId, done, word));
    return { about: line.about, ...undone };
  }
  const author = { teacherId, kind: change.kind, heard };
  return { about: aboutOf(change), ...writeEdits(sql, editsOf(change), author, word) };
}

/** What a device that has not heard of it still sends about a student who was erased is not taken in. */
function withoutErased(sql: Sql, change: Change, teacherId: string): Change {
  const erased = erasedStudents(sql, teacherId);
  if (erased.length === 0) return change;
  let payload: unknown = change.payload;
  for (const studentId of erased)
    payload = forget(payload, { studentId, recordIds: new Set(), rename: (text) => text });
  if (payload === null) throw new Refusal('This student was erased, so nothing is kept of them any more.');
  const cleaned = Change.safeParse({ ...change, payload });
  if (!cleaned.success)
    throw new Refusal('Only a student who was erased was meant by this, so nothing is kept of it.');
  return cleaned.data;
}

/**
 * Applies a change and writes its line, in the transaction that is open.
 * @throws Refusal, MissingRecord, NotAllowed when it cannot be
 */
export function applyOnce(sql: Sql, arriving: Change, arrival: Arrival): ChangeAnswer {
  const change = withoutErased(sql, arriving, arrival.teacherId);
  const before = logged(sql, change.id);
  if (before) {
    if (before.teacherId !== arrival.teacherId) throw new Refusal('This id is taken.');
    return applied(change.id, before.edits);
  }
  const { about, edits, scopes } = perform(sql, change, arrival);
  writeLine(sql, change, arrival, about, edits, scopes);
  return applied(change.id, edits);
}

function idOf(raw: unknown): string {
  const id = (raw as { id?: unknown } | null)?.id;
  return typeof id === 'string' ? id.slice(0, 64) : '';
}

/** Why a change cannot be; anything else is a fault of ours. */
const reasons = [Refusal, MissingRecord, DanglingReference, NotAllowed];

/** Reads, authorises and applies a change as a part of the transaction that is open, or refuses it. */
function applyOrRefuse(sql: Sql, raw: unknown, arrival: Arrival): ChangeAnswer {
  const parsed = Change.safeParse(raw);
  if (!parsed.success)
    return refused(idOf(raw), 'This change is not well formed.', fieldErrors(parsed.error));
  try {
    return sql.within(() => applyOnce(sql, parsed.data, arrival));
  } catch (error) {
    if (reasons.some((reason) => error instanceof reason))
      return refused(parsed.data.id, (error as Error).message);
    throw error;
  }
}

/** So long one transaction takes in changes, before whoever came meanwhile has a turn. */
const longestTurnMs = 8;

/**
 * The one door for writes: reads, authorises and applies changes in their order, and writes a line of the log for each.
 * Those of a batch share a transaction, but each is applied or refused by itself. The same id again changes nothing and
 * is answered the same.
 */
export async function applyChanges(
  database: OpenDatabase,
  changes: readonly unknown[],
  arrivalNow: () => Arrival,
): Promise<ChangeAnswer[]> {
  const answers: ChangeAnswer[] = [];
  while (answers.length < changes.length) {
    const part = await database.write((sql) => {
      const begun = performance.now();
      const taken: ChangeAnswer[] = [];
      for (const change of changes.slice(answers.length)) {
        taken.push(applyOrRefuse(sql, change, arrivalNow()));
        if (performance.now() - begun > longestTurnMs) break;
      }
      return taken;
    });
    answers.push(...part);
  }
  return answers;
}

/** One change, as those that the server makes itself. */
export async function applyChange(
  database: OpenDatabase,
  change: unknown,
  arrival: Arrival,
): Promise<ChangeAnswer> {
  const [answer] = await applyChanges(database, [change], () => arrival);
  if (!answer) throw new Error('A change was not answered.');
  return answer;
}
