import { create } from 'zustand';
import { applyEdits, type Edit } from '@slate-path/core/changes/edit';
import { emptyRecords, mergeRecords, type RecordLists, type Records } from '@slate-path/core/records/records';
import type { DoneChange, OutboxEntry } from './device';

/** What the screens show: the records as the server knows them, and the changes made here since. */
export interface RecordsState {
  base: Records;
  entries: readonly OutboxEntry[];
  /** `base` with `entries` laid over it. */
  current: Records;
  done: readonly DoneChange[];
  /** Answers of views that are not records, by path. */
  answers: Readonly<Record<string, unknown>>;
  connection: 'online' | 'offline' | 'signed_out';
}

export const useRecords = create<RecordsState>()(() => ({
  base: emptyRecords(),
  entries: [],
  current: emptyRecords(),
  done: [],
  answers: {},
  connection: 'online',
}));

/** Said with every answer; only a change of it is news to the page. */
export function setConnection(connection: RecordsState['connection']): void {
  if (useRecords.getState().connection !== connection) useRecords.setState({ connection });
}

function laidOver(base: Records, entries: readonly OutboxEntry[]): Records {
  const standing = entries.filter((entry) => entry.state !== 'refused');
  return applyEdits(
    base,
    standing.flatMap((entry): Edit[] => entry.edits),
  );
}

/** Begins with what this device kept. */
export function restore(
  base: Records,
  entries: OutboxEntry[],
  done: DoneChange[],
  answers: Record<string, unknown>,
): void {
  useRecords.setState({ base, entries, current: laidOver(base, entries), done, answers });
}

/** The history with one line more, or with another in the place of the one that was taken back in part. */
function historyWith(
  history: readonly DoneChange[],
  done: DoneChange | null,
  undoneId: string | null,
): DoneChange[] {
  if (done !== null && done.id === undoneId)
    return history.map((line) => (line.id === done.id ? done : line));
  return [...history.filter(({ id }) => id !== undoneId), ...(done ? [done] : [])].slice(-50);
}

/**
 * Shows a change at once.
 * @param done its line in the history; of an undo, what is left of the line with `undoneId`, null for nothing
 */
export function showChange(entry: OutboxEntry, done: DoneChange | null, undoneId: string | null): void {
  useRecords.setState((state) => ({
    entries: [...state.entries, entry],
    current: applyEdits(state.current, entry.edits),
    done: historyWith(state.done, done, undoneId),
  }));
}

/** What the server sent is now what it knows; changes not yet acknowledged stay on top. */
export function receive(rows: RecordLists): void {
  useRecords.setState((state) => {
    const base = mergeRecords(state.base, rows);
    return { base, current: laidOver(base, state.entries) };
  });
}

/** Nothing is known any more but what was made here and is not sent yet. */
export function forgetRecords(): void {
  useRecords.setState((state) => {
    const base = emptyRecords();
    return { base, current: laidOver(base, state.entries), done: [], answers: {} };
  });
}

export function setEntryState(
  changeId: string,
  entryState: OutboxEntry['state'],
  reason: string | null = null,
): void {
  useRecords.setState((state) => {
    const entries = state.entries.map((entry) =>
      entry.change.id === changeId ? { ...entry, state: entryState, reason } : entry,
    );
    const current = entryState === 'refused' ? laidOver(state.base, entries) : state.current;
    return { entries, current };
  });
}

let moved = 0;

/** How often the base was moved on, by an acknowledgement or by what changed elsewhere: an answer asked for before is older. */
export function timesMovedOn(): number {
  return moved;
}

/** What changed elsewhere is known from now on. */
export function moveOn(rows: RecordLists): void {
  if (Object.keys(rows).length > 0) moved += 1;
  receive(rows);
}

/**
 * Takes acknowledged changes out of the entries and into the base.
 * @returns the rows they touched, to be kept on the device
 */
export function acknowledge(changeIds: ReadonlySet<string>): RecordLists {
  const { base, entries } = useRecords.getState();
  const edits = entries.filter(({ change }) => changeIds.has(change.id)).flatMap((entry) => entry.edits);
  moved += 1;
  const known = applyEdits(base, edits);
  const left = entries.filter(({ change }) => !changeIds.has(change.id));
  useRecords.setState({ base: known, entries: left, current: laidOver(known, left) });
  return touchedRows(known, edits);
}

function touchedRows(records: Records, edits: readonly Edit[]): RecordLists {
  const rows: Record<string, Map<string, unknown>> = {};
  for (const { table, id } of edits) {
    const row = records[table][id];
    if (row) (rows[table] ??= new Map()).set(id, row);
  }
  return Object.fromEntries(Object.entries(rows).map(([table, found]) => [table, [...found.values()]]));
}

/** Forgets a refused change. */
export function dropEntry(changeId: string): void {
  useRecords.setState((state) => {
    const entries = state.entries.filter(({ change }) => change.id !== changeId);
    return { entries, current: laidOver(state.base, entries) };
  });
}
