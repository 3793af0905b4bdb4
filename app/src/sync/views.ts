import { useEffect, useState } from 'react';
import type { Address } from '@slate-path/core/api/address';
import type { RestOf } from '@slate-path/core/api/contract';
import type { OperationName } from '@slate-path/core/api/operations';
import type { RecordLists } from '@slate-path/core/records/records';
import { tableNames } from '@slate-path/core/records/tables';
import { ApiProblem, request } from './api';
import type { Device } from './device';
import { timesMovedOn, receive, setConnection, useRecords } from './useRecords';

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

/** The records of an answer. */
export function recordsIn(answer: Record<string, unknown>): RecordLists {
  return Object.fromEntries(tableNames.flatMap((table) => (answer[table] ? [[table, answer[table]]] : [])));
}

/** Everything of an answer that is not a record. */
function restOf(answer: Record<string, unknown>): Record<string, unknown> {
  const tables: readonly string[] = tableNames;
  return Object.fromEntries(Object.entries(answer).filter(([name]) => !tables.includes(name)));
}

/** What is known of views is forgotten with the records: the next time they are asked for whole. */
export function forgetViews(): void {
  etags.clear();
}

const onTheirWay = new Map<string, Promise<ViewState>>();

/** Fetches a view, or hears that it has not changed. Asked for twice at once it is asked for once. */
export function fetchView(path: string): Promise<ViewState> {
  const asked = onTheirWay.get(path);
  if (asked) return asked;
  const asking = askView(path).finally(() => onTheirWay.delete(path));
  onTheirWay.set(path, asking);
  return asking;
}

/** What is not to be seen any more does not stay on the device either. */
async function forgetAnswer(path: string): Promise<void> {
  etags.delete(path);
  useRecords.setState(({ answers }) => ({
    answers: Object.fromEntries(Object.entries(answers).filter(([known]) => known !== path)),
  }));
  await device?.forgetAnswer(path);
}

async function askView(path: string): Promise<ViewState> {
  const etag = etags.get(path);
  const asOf = timesMovedOn();
  try {
    const response = await request(path, etag ? { headers: { 'If-None-Match': etag } } : {});
    setConnection('online');
    if (response.status === 304) return 'fresh';
    const answer = (await response.json()) as Record<string, unknown>;
    // What was acknowledged or told meanwhile may not be in this answer: it must not overwrite the newer.
    if (asOf !== timesMovedOn()) return await askView(path);
    const fresh = response.headers.get('ETag');
    if (fresh) etags.set(path, fresh);
    const rows = recordsIn(answer);
    const rest = restOf(answer);
    receive(rows);
    useRecords.setState((state) => ({ answers: { ...state.answers, [path]: rest } }));
    await device?.keepAnswer(path, fresh, rest, rows);
    return 'fresh';
  } catch (error) {
    if (!(error instanceof ApiProblem)) throw error;
    if (error.status === 404) {
      await forgetAnswer(path);
      return 'missing';
    }
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

let syncRecords: () => Promise<void> = () => Promise.resolve();

/** Records are renewed by difference, beside the views. */
export function renewsRecords(sync: () => Promise<void>): void {
  syncRecords = sync;
}

const renewAfterMs = 400;
let renewal: ReturnType<typeof setTimeout> | undefined;

/**
 * Asks at once for the records that changed: they come by difference, and calls during an answer are one. The views on
 * the screen are dearer, and are asked for a moment later; calls until then are one.
 */
export function renewViews(): void {
  void syncRecords();
  // Not put off by the next call: while a class checks in there is always a next one.
  renewal ??= setTimeout(() => {
    renewal = undefined;
    for (const path of inUse.keys()) void renew(path);
  }, renewAfterMs);
}

/**
 * Keeps a view on the screen up to date; its records arrive in `useRecords`, the rest in the answer.
 * @param path null for none
 */
export function useView<N extends OperationName>(
  path: Address<N> | null,
): { state: ViewState; answer: RestOf<N> | undefined } {
  const [state, setState] = useState<ViewState>(path !== null && etags.has(path) ? 'kept' : 'loading');
  const answer = useRecords((records) => records.answers[path ?? '']) as RestOf<N> | undefined;
  useEffect(() => {
    if (path === null) return;
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
