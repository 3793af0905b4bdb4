import { create } from 'zustand';
import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { addDays } from '@slate-path/core/calendar/localTime';
import { daysUntilForgotten } from '@slate-path/core/sync/onDevice';
import { forgetAllTyped, typedBelongsTo } from '../parts/typed';
import { ApiProblem, ask, post } from './api';
import { now } from './clock';
import { Device, deviceName } from './device';
import { keepNow, newId, openOutbox, sendNow } from './outbox';
import { restore, setConnection, useRecords } from './useRecords';
import { openSync } from './sync';
import { openViews, renewViews } from './views';

type Role = NonNullable<AnswerOf<'session'>['teacher']>['role'];

interface Account {
  state: 'starting' | 'first_start' | 'signed_out' | 'open' | 'unreachable';
  teacherId: string;
  teacherName: string;
  role: Role;
  /** Keeps the school: backups, erasing, invitations, and what all of it shares. */
  isKeeper: boolean;
  demo: boolean;
}

export const useAccount = create<Account>()(() => ({
  state: 'starting',
  teacherId: '',
  teacherName: '',
  role: 'teacher',
  isKeeper: false,
  demo: false,
}));

const keptKey = 'slate-teacher';
let device: Device | null = null;

interface Kept {
  id: string;
  name: string;
  role: Role;
  isKeeper: boolean;
  demo: boolean;
}

function keptTeacher(): Kept | null {
  const kept = localStorage.getItem(keptKey);
  return kept ? (JSON.parse(kept) as Kept) : null;
}

/** Near enough for what is months ago, before the school's zone is known. */
const today = () => new Date(now()).toISOString().slice(0, 10);

async function openFor(teacher: Kept): Promise<void> {
  typedBelongsTo(teacher.id);
  if (device?.teacherId !== teacher.id) {
    device = await Device.open(teacher.id);
    const records = await device.loadRecords(addDays(today(), -daysUntilForgotten));
    const answers = await device.loadAnswers();
    openViews(device, answers);
    openSync(device, answers[addressOf('sync')]);
    const plain = Object.fromEntries(Object.entries(answers).map(([path, { answer }]) => [path, answer]));
    restore(records, await device.loadOutbox(), await device.loadDone(), plain);
  }
  localStorage.setItem(keptKey, JSON.stringify(teacher));
  const { id: teacherId, name: teacherName, role, isKeeper, demo } = teacher;
  useAccount.setState({ state: 'open', teacherId, teacherName, role, isKeeper, demo });
  openOutbox(device, renewViews);
  listen();
}

let events: EventSource | null = null;

/** Since when nothing is heard of what other devices write, by the server's clock; null while it is. */
const useHearing = create<{ lostAt: number | null }>()(() => ({ lostAt: null }));

/** When the connection was lost, milliseconds since 1970; null while it stands. */
export function useLastHeard(): number | null {
  return useHearing(({ lostAt }) => lostAt);
}

const listenAgainMs = 3000;

/**
 * Hears of what other devices write, and of students who check in. Only the page that is looked at does:
 * a browser opens six connections to a server, and pages in the background would hold them all.
 */
function listen(): void {
  if (document.hidden || (events && events.readyState !== EventSource.CLOSED)) return;
  events = new EventSource(addressOf('events'));
  events.onopen = () => {
    if (useHearing.getState().lostAt === null) return;
    useHearing.setState({ lostAt: null });
    // What was written meanwhile was told to nobody here.
    renewViews();
  };
  events.onerror = () => {
    if (useHearing.getState().lostAt === null) useHearing.setState({ lostAt: now() });
    // A browser that gave up does not try again by itself; whoever is signed out hears nothing.
    const isSignedOut = useRecords.getState().connection === 'signed_out';
    if (events?.readyState === EventSource.CLOSED && !isSignedOut) setTimeout(listen, listenAgainMs);
  };
  events.onmessage = ({ data }: MessageEvent<string>) => {
    const { device: by } = JSON.parse(data) as { device: string };
    if (by !== deviceName(newId)) renewViews();
  };
}

function stopListening(): void {
  events?.close();
  events = null;
}

async function signedInSession(): Promise<AnswerOf<'session'>> {
  const session = await ask(addressOf('session'));
  if (session.teacher || !session.demo) return session;
  await post(addressOf('demoSignIn'));
  return ask(addressOf('session'));
}

/**
 * Opens with what this device kept, so that it works without a network, then asks the server who
 * is signed in.
 */
export async function start(): Promise<void> {
  const kept = keptTeacher();
  if (kept) await openFor(kept);
  try {
    const { teacher, firstStart, demo } = await signedInSession();
    if (teacher) {
      await openFor({ ...teacher, demo });
      setConnection('online');
    } else {
      useAccount.setState({ state: firstStart ? 'first_start' : 'signed_out', demo });
    }
  } catch (error) {
    if (!(error instanceof ApiProblem)) throw error;
    setConnection('offline');
    if (!kept) useAccount.setState({ state: 'unreachable' });
  }
}

export async function firstStart(
  name: string,
  passphrase: string,
  school: { name: string; zone: string },
): Promise<void> {
  await post(addressOf('firstStart'), { name, passphrase, school });
  await start();
}

export async function signIn(name: string, passphrase: string): Promise<void> {
  await post(addressOf('signIn'), { name, passphrase });
  await start();
  sendNow();
}

/** Sets a new passphrase by the recovery code, and signs in. */
export async function recover(name: string, code: string, passphrase: string): Promise<void> {
  await post(addressOf('recover'), { name, code, passphrase });
  await start();
  sendNow();
}

/** Signs out and forgets the records on this device. @throws with a sentence while changes are not sent */
export async function signOut(): Promise<void> {
  const waiting = useRecords.getState().entries.length;
  if (waiting > 0) {
    const words =
      waiting === 1
        ? 'One change has not reached the server. It would be lost; stay until it is sent.'
        : `${waiting} changes have not reached the server. They would be lost; stay until they are sent.`;
    throw new ApiProblem(0, words);
  }
  await post(addressOf('signOut'));
  await device?.forget();
  localStorage.removeItem(keptKey);
  localStorage.removeItem('slate-note-draft');
  forgetAllTyped();
  location.assign('/');
}

const renewEveryMs = 20_000;

// Another device may have written meanwhile; unchanged views cost an empty answer.
setInterval(() => {
  if (document.visibilityState === 'visible' && useAccount.getState().state === 'open') renewViews();
}, renewEveryMs);

/** The page is put away or closed, and may be stopped at any moment. */
function leave(): void {
  stopListening();
  void keepNow();
}

window.addEventListener('online', sendNow);
document.addEventListener('visibilitychange', () => {
  if (document.hidden) {
    leave();
    return;
  }
  sendNow();
  if (useAccount.getState().state !== 'open') return;
  listen();
  renewViews();
});
window.addEventListener('pagehide', leave);

/**
 * The server says that this device is signed out: by its owner, who has lost it, or because it was not used. Nothing
 * is left to read on it, unless changes wait here that would be lost; what was being typed stays for its owner.
 */
useRecords.subscribe((state, before) => {
  if (state.connection !== 'signed_out' || before.connection === 'signed_out') return;
  if (state.entries.length > 0 || !device || useAccount.getState().demo) return;
  const goToSignIn = () => {
    location.assign('/');
  };
  localStorage.removeItem(keptKey);
  device.forgetRecords().then(goToSignIn, goToSignIn);
});
