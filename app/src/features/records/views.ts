import { useEffect, useState } from 'react';
import { addressOf, type Address } from '@slate-path/core/api/address';
import type { RestOf } from '@slate-path/core/api/contract';
import type { OperationName } from '@slate-path/core/api/operations';
import type { RecordLists } from '@slate-path/core/records/records';
import { tableNames } from '@slate-path/core/records/tables';
import { ApiProblem, request } from './api';
import type { Device } from './device';
import { acknowledgements, forgetRecords, receive, setConnection, useRecords } from './useRecords';

/** How much of a view is here: nothing yet, what this device kept, or the server's own. */
export type ViewState = 'loading' | 'kept' | 'fresh' | 'missing';

let device: Device | null = null;
const etags = new Map<string, string>();
const inUse = new Map<string, number>();
const listeners = new Set<(path: string, state: ViewState) => void>();

export function openViews(open: Device, kept: Record<string, { etag: string | null }>): void {
  device = open;
  etags.clear();
  for (const [path, { etag }] of Object.entries(kept)) if (etag) etags.set(path, etag);
}

function recordsIn(answer: Record<string, unknown>): RecordLists {
  return Object.fromEntries(tableNames.flatMap((table) => (answer[table] ? [[table, answer[table]]] : [])));
}

/** Everything of an answer that is not a record. */
function restOf(answer: Record<string, unknown>): Record<string, unknown> {
  const tables: readonly string[] = tableNames;
  return Object.fromEntries(Object.entries(answer).filter(([name]) => !tables.includes(name)));
}

/** Classes, students, topics, timetable: what every page needs. */
export const setupPath = addressOf('setup');

/** Was a student erased, or something taken out of sight, since this device last heard of it? */
function isForgettingNew(setup: Record<string, unknown>): boolean {
  const known = useRecords.getState().answers[setupPath] as Record<string, unknown> | undefined;
  return known !== undefined && known['forgets'] !== setup['forgets'];
}

/** Does this device know a class or a student of whom the server tells it nothing any more? */
function isOutOfSight(rows: RecordLists): boolean {
  const { base } = useRecords.getState();
  return (['section', 'student'] as const).some((table) => {
    const told = new Set((rows[table] ?? []).map(({ id }) => id));
    return Object.keys(base[table]).some((id) => !told.has(id));
  });
}

/** Forgets all that is known here but what is not sent yet, and asks for everything again. */
async function startOver(): Promise<void> {
  etags.clear();
  await device?.forgetRecords();
  forgetRecords();
  renewViews();
}

/** Fetches a view, or hears that it has not changed. */
export async function fetchView(path: string): Promise<ViewState> {
  const etag = etags.get(path);
  const asOf = acknowledgements();
  try {
    const response = await request(path, etag ? { headers: { 'If-None-Match': etag } } : {});
    setConnection('online');
    if (response.status === 304) return 'fresh';
    const answer = (await response.json()) as Record<string, unknown>;
    // What was acknowledged meanwhile may not be in this answer: it must not overwrite the newer.
    if (asOf !== acknowledgements()) return await fetchView(path);
    const fresh = response.headers.get('ETag');
    if (fresh) etags.set(path, fresh);
    const rows = recordsIn(answer);
    const rest = restOf(answer);
    if (path === setupPath && (isForgettingNew(rest) || isOutOfSight(rows))) await startOver();
    receive(rows);
    useRecords.setState((state) => ({ answers: { ...state.answers, [path]: rest } }));
    await device?.keepAnswer(path, fresh, rest, rows);
    return 'fresh';
  } catch (error) {
    if (!(error instanceof ApiProblem)) throw error;
    if (error.status === 404) return 'missing';
    if (error.status === 0) setConnection('offline');
    if (error.status === 401) setConnection('signed_out');
    return etag ? 'kept' : 'loading';
  }
}

/**
 * Asks once, for what is wanted only now (a search): its records are known here from then on, the rest is
 * handed back. @throws ApiProblem
 */
export async function askOnce<N extends OperationName>(address: Address<N>): Promise<RestOf<N>> {
  const answer = (await (await request(address)).json()) as Record<string, unknown>;
  receive(recordsIn(answer));
  return restOf(answer) as RestOf<N>;
}

async function renew(path: string): Promise<void> {
  const state = await fetchView(path);
  listeners.forEach((listener) => {
    listener(path, state);
  });
}

const renewAfterMs = 400;
let renewal: ReturnType<typeof setTimeout> | undefined;

/** Asks again for the views on the screen, a moment later; calls until then are one. */
export function renewViews(): void {
  // Not put off by the next call: while a class checks in there is always a next one.
  renewal ??= setTimeout(() => {
    renewal = undefined;
    for (const path of inUse.keys()) void renew(path);
  }, renewAfterMs);
}

/** Keeps a view on the screen up to date; its records arrive in `useRecords`, the rest in the answer. */
export function useView<N extends OperationName>(
  path: Address<N>,
): { state: ViewState; answer: RestOf<N> | undefined } {
  const [state, setState] = useState<ViewState>(etags.has(path) ? 'kept' : 'loading');
  const answer = useRecords((records) => records.answers[path]) as RestOf<N> | undefined;
  useEffect(() => {
    const listener = (renewed: string, next: ViewState) => {
      if (renewed === path) setState(next);
    };
    setState(etags.has(path) ? 'kept' : 'loading');
    listeners.add(listener);
    inUse.set(path, (inUse.get(path) ?? 0) + 1);
    void renew(path);
    return () => {
      listeners.delete(listener);
      const left = (inUse.get(path) ?? 1) - 1;
      if (left === 0) inUse.delete(path);
      else inUse.set(path, left);
    };
  }, [path]);
  return { state, answer };
}
