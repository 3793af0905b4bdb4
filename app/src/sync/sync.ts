import { useEffect } from 'react';
import { create } from 'zustand';
import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { addDays } from '@slate-path/core/calendar/localTime';
import { daysOnDevice } from '@slate-path/core/sync/onDevice';
import { ApiProblem, ask } from './api';
import { useNow } from './clock';
import type { Device } from './device';
import { timesMovedOn, forgetRecords, moveOn, setConnection, useRecords } from './useRecords';
import { forgetViews, recordsIn, renewsRecords, renewViews, useView, type ViewState } from './views';

const path = addressOf('sync');

/** How much is here of what a device holds. */
const useHeld = create<{ state: ViewState }>()(() => ({ state: 'loading' }));

let device: Device | null = null;
let cursor: string | undefined;

/** Begins with what this device kept. @param kept where it stood; undefined for a device that is new */
export function openSync(open: Device, kept: { etag: string | null; answer: unknown } | undefined): void {
  device = open;
  cursor = kept?.etag ?? undefined;
  const isWhole = (kept?.answer as { whole?: boolean } | undefined)?.whole === true;
  useHeld.setState({ state: isWhole ? 'kept' : 'loading' });
}

/** What was held before is no longer to be seen, or cannot be told from what is. */
async function beginAnew(): Promise<void> {
  const { answers, base } = useRecords.getState();
  // A device may have written something, and had it acknowledged, before it was ever told anything.
  const isNew = [answers, ...Object.values(base)].every((held) => Object.keys(held).length === 0);
  if (isNew) return;
  await device?.forgetRecords();
  forgetRecords();
  forgetViews();
  renewViews();
}

async function takePage(answer: AnswerOf<'sync'>): Promise<void> {
  if (answer.anew) await beginAnew();
  const rows = recordsIn(answer);
  moveOn(rows);
  cursor = answer.cursor;
  const whole = !answer.more;
  useRecords.setState(({ answers }) => ({ answers: { ...answers, [path]: { whole } } }));
  await device?.keepAnswer(path, cursor, { whole }, rows);
}

/** Asks page after page for what changed. */
async function askAll(): Promise<ViewState> {
  try {
    for (;;) {
      const asOf = timesMovedOn();
      const answer = await ask(addressOf('sync', cursor === undefined ? {} : { cursor }));
      setConnection('online');
      // What was acknowledged meanwhile may not be in this answer: it must not overwrite the newer.
      if (asOf !== timesMovedOn()) continue;
      await takePage(answer);
      if (!answer.more) return 'fresh';
    }
  } catch (error) {
    if (!(error instanceof ApiProblem)) throw error;
    if (error.status === 0) setConnection('offline');
    if (error.status === 401) setConnection('signed_out');
    return isWhole() ? 'kept' : 'loading';
  }
}

const isWhole = () =>
  (useRecords.getState().answers[path] as { whole?: boolean } | undefined)?.whole === true;

let asking: Promise<void> | null = null;
let again = false;

/** Hears of what changed. Asked for while an answer is on its way, it is asked once more after it. */
export function syncNow(): Promise<void> {
  if (asking) {
    again = true;
    return asking;
  }
  asking = askAll()
    .then((state) => {
      useHeld.setState({ state });
    })
    .finally(() => {
      asking = null;
      if (!again) return;
      again = false;
      void syncNow();
    });
  return asking;
}

renewsRecords(syncNow);

/** Is what a device holds here: classes, students, timetable, and the lessons and notes of the last weeks? */
export function useSync(): ViewState {
  return useHeld(({ state }) => state);
}

/** Keeps it up to date while a page is open. */
export function useSyncing(): void {
  useEffect(() => {
    void syncNow();
  }, []);
}

/** All that was recorded on a day: held by the device, or, of an older one, asked for. */
export function useDay(date: string): ViewState {
  const now = useNow();
  const held = useSync();
  const isHeld = date >= addDays(now.date, -daysOnDevice);
  const { state } = useView(isHeld ? null : addressOf('day', { date }));
  return isHeld ? held : state;
}
