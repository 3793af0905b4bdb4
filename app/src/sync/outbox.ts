import { decodeTime, monotonicFactory } from 'ulid';
import { addressOf } from '@slate-path/core/api/address';
import { invertEdits, type Edit } from '@slate-path/core/changes/edit';
import { editsOf } from '@slate-path/core/changes/editsOf';
import type { Change, ChangeAnswer, ChangeOf, KindName } from '@slate-path/core/changes/schema';
import { afterPaint } from './afterPaint';
import { ApiProblem, post } from './api';
import { nextBatch } from './batch';
import { now } from './clock';
import { deviceName, type Device, type DoneChange, type Keeping, type OutboxEntry } from './device';
import { acknowledge, dropEntry, setConnection, setEntryState, showChange, useRecords } from './useRecords';

/** Asked for by the handful: asking for each letter of an id by itself is a twentieth of what a tap costs. */
const randomBytes = new Uint8Array(256);
let randomLeft = 0;

/** @returns at least 0 and below 1 */
function random(): number {
  if (randomLeft === 0) {
    crypto.getRandomValues(randomBytes);
    randomLeft = randomBytes.length;
  }
  randomLeft -= 1;
  return (randomBytes[randomLeft] ?? 0) / 256;
}

const nextUlid = monotonicFactory(random);
const longestWaitMs = 15_000;

let lastMade = 0;

/** When something is made here: never before what was made before it, for the later word is the one that counts. */
function makingAt(): number {
  lastMade = Math.max(lastMade, now());
  return lastMade;
}

/** A fresh id for a record made here. */
export function newId(): string {
  return nextUlid(makingAt());
}

let device: Device | null = null;
let afterSending: () => void = () => undefined;
let waitMs = 1000;
let timer: ReturnType<typeof setTimeout> | undefined;
let sending = false;

/** Begins to keep and send for one teacher. @param onSent is called when the server has taken changes */
export function openOutbox(open: Device, onSent: () => void): void {
  device = open;
  afterSending = onSent;
  const { entries, done } = useRecords.getState();
  const madeBefore = [...entries.map(({ change }) => change.id), ...done.map(({ id }) => id)];
  lastMade = Math.max(lastMade, ...madeBefore.map((id) => decodeTime(id) + 1));
  void send();
}

function envelope(): { id: string; madeAt: string; device: string } {
  return { id: newId(), madeAt: new Date(makingAt()).toISOString(), device: deviceName(newId) };
}

/** @param done what can be taken back from now on: the change itself, or what an undo has left of another */
function add(change: Change, entry: Pick<OutboxEntry, 'edits' | 'inverse'>, done: DoneChange | null): void {
  const undoneId = change.kind === 'undo' ? change.payload.changeId : null;
  const full: OutboxEntry = { change, ...entry, state: 'new', reason: null };
  showChange(full, done, undoneId);
  toKeep.push({ entry: full, done, undoneId });
  afterPaint(() => void keepAll());
}

let toKeep: Keeping[] = [];
let keeping = false;

/**
 * Writes what has been made, without waiting for a picture or for what is being written: a page that is closed or
 * put away may be stopped at any moment.
 */
export async function keepNow(): Promise<void> {
  const all = toKeep;
  toKeep = [];
  if (all.length === 0) return;
  try {
    await device?.keep(all);
    for (const { entry } of all) setEntryState(entry.change.id, 'kept');
  } catch (error) {
    // A full or forbidden disk: the changes stay "not saved yet" on the screen, and are still sent.
    console.error(error);
  }
  void send();
}

/**
 * Keeps what has been made. What comes while a disk is writing waits for it and is written at once together, so
 * that twenty quick taps are not twenty writes behind.
 */
async function keepAll(): Promise<void> {
  if (keeping) return;
  keeping = true;
  while (toKeep.length > 0) await keepNow();
  keeping = false;
}

/**
 * Makes a change: shown in this frame, kept on the device, sent when the server can be reached.
 * @param about the lesson, class or student in whose history it can be taken back @returns its id
 */
export function makeChange<K extends KindName>(
  kind: K,
  payload: ChangeOf<K>['payload'],
  about: string,
): string {
  const change = { ...envelope(), kind, payload } as unknown as ChangeOf<KindName>;
  const edits = editsOf(change);
  const inverse = invertEdits(useRecords.getState().current, edits);
  add(change, { edits, inverse }, { id: change.id, about, inverse });
  return change.id;
}

/** Which records are meant, where a page shows only some of those that a history is about. */
export type Concerns = (edit: Edit) => boolean;

const everything: Concerns = () => true;

/** The last change about something that can still be taken back. */
export function lastDone(
  done: readonly DoneChange[],
  about: string,
  concerns: Concerns = everything,
): DoneChange | undefined {
  return done.findLast((line) => line.about === about && line.inverse.some(concerns));
}

/**
 * Takes back the last change about something; nothing when there is none. Where it changed more than is meant,
 * the rest of it stays, and can be taken back by itself.
 */
export function takeBack(about: string, concerns: Concerns = everything): void {
  const { done, current } = useRecords.getState();
  const last = lastDone(done, about, concerns);
  if (!last) return;
  const own = last.inverse.filter(concerns);
  const rest = last.inverse.filter((edit) => !concerns(edit));
  const payload = {
    changeId: last.id,
    ...(rest.length > 0 ? { recordIds: [...new Set(own.map(({ id }) => id))] } : {}),
  };
  const change = { ...envelope(), kind: 'undo' as const, payload };
  const left = rest.length > 0 ? { ...last, inverse: rest } : null;
  add(change, { edits: own, inverse: invertEdits(current, own) }, left);
}

/** Takes back what the server wrote by itself when it was asked to, as an archive: only it knows what that was. */
export function takeBackThere(changeId: string): void {
  add({ ...envelope(), kind: 'undo', payload: { changeId } }, { edits: [], inverse: [] }, null);
}

/** Gives up a change that the server refused. */
export async function leaveOut(changeId: string): Promise<void> {
  dropEntry(changeId);
  await device?.settle([changeId], {});
}

/** Other tabs of this device send too; one at a time keeps the order. */
function alone(work: () => Promise<void>): Promise<void> {
  return 'locks' in navigator ? navigator.locks.request('slate-outbox', work) : work();
}

export async function send(): Promise<void> {
  if (sending || !device) return;
  sending = true;
  try {
    await alone(sendAll);
    waitMs = 1000;
  } catch (error) {
    const signedOut = error instanceof ApiProblem && error.status === 401;
    setConnection(signedOut ? 'signed_out' : 'offline');
    sendLater();
  } finally {
    sending = false;
  }
}

function sendLater(): void {
  clearTimeout(timer);
  timer = setTimeout(() => void send(), waitMs);
  waitMs = Math.min(waitMs * 2, longestWaitMs);
}

/** Tries again at once, as when the network is back. */
export function sendNow(): void {
  waitMs = 1000;
  clearTimeout(timer);
  void send();
}

/** Fewer at once where the server takes no more; a single one that is too large stands aside, as one refused does. */
async function sendBatch(changes: Change[]): Promise<ChangeAnswer[]> {
  try {
    return (await post(addressOf('sendChanges'), { changes })).answers;
  } catch (error) {
    const [only, another] = changes;
    if (!(error instanceof ApiProblem) || error.status !== 413 || !only) throw error;
    if (another) return sendBatch(changes.slice(0, Math.ceil(changes.length / 2)));
    const reason = 'This is larger than the server takes at once. Everything after it is sent all the same.';
    return [{ id: only.id, outcome: 'refused', overruled: [], reason, errors: [] }];
  }
}

/** Does somebody come into a class whom this device does not know: a colleague's student? */
function joinsUnknown({ op, table, values }: Edit): boolean {
  if (op === 'set' || table !== 'enrolment') return false;
  const { studentId } = values as { studentId: string };
  return useRecords.getState().current.student[studentId] === undefined;
}

async function sendAll(): Promise<void> {
  for (;;) {
    const waiting = useRecords.getState().entries.filter(({ state }) => state !== 'refused');
    const batch = nextBatch(waiting.map(({ change }) => change));
    if (batch.length === 0) return;
    const answers = await sendBatch(batch);
    setConnection('online');
    const joined = waiting.some(({ edits }) => edits.some(joinsUnknown));
    await settle(answers);
    // What was applied is known here; to be asked for is another device's later word, and whoever came from elsewhere.
    if (joined || answers.some(({ overruled }) => overruled.length > 0)) afterSending();
  }
}

async function settle(answers: ChangeAnswer[]): Promise<void> {
  const applied = new Set(answers.filter(({ outcome }) => outcome === 'applied').map(({ id }) => id));
  const rows = acknowledge(applied);
  for (const { id, outcome, reason, errors } of answers) {
    if (outcome !== 'refused') continue;
    const words = [reason, ...errors.map(({ field, message }) => `${field}: ${message}`)].join(' ');
    setEntryState(id, 'refused', words);
    const entry = useRecords.getState().entries.find(({ change }) => change.id === id);
    if (entry) await device?.keep([{ entry, done: null, undoneId: null }]);
  }
  await device?.settle([...applied], rows);
}
