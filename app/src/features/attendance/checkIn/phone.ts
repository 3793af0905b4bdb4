import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf, Given } from '@slate-path/core/api/contract';
import { ApiProblem, ask, post } from '../../../sync/api';

/** What a student's page is told of the class. */
export type DoorView = AnswerOf<'checkInDoor'>;

export type Saying = Omit<Given<'checkIn', 'body'>, 'device'>;

export type CheckedIn = AnswerOf<'checkIn'>;

/** What could not be sent yet. */
interface Waiting {
  token: string;
  saying: Saying & { device: string };
}

const waitingKey = 'slate-check-in-waiting';
const phoneKey = 'slate-phone';

/** A name this phone made up for itself; the tablet at the door is everybody's. */
function phoneName(shared: boolean): string {
  if (shared) return 'shared';
  const kept = localStorage.getItem(phoneKey);
  if (kept) return kept;
  const bytes = crypto.getRandomValues(new Uint8Array(12));
  const name = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  localStorage.setItem(phoneKey, name);
  return name;
}

export const askDoor = (token: string) => ask(addressOf('checkInDoor', { token }));

function waiting(): Waiting | null {
  const kept = localStorage.getItem(waitingKey);
  return kept ? (JSON.parse(kept) as Waiting) : null;
}

/** What waits on this phone for this class, if anything. */
export function waitingFor(token: string): Saying | null {
  const kept = waiting();
  return kept?.token === token ? kept.saying : null;
}

/**
 * Checks in. What cannot be sent because there is no network is kept on the phone.
 * @returns null when it is only kept @throws ApiProblem when the server says no
 */
export async function checkIn(token: string, saying: Saying, shared: boolean): Promise<CheckedIn | null> {
  const whole = { ...saying, device: phoneName(shared) };
  localStorage.setItem(waitingKey, JSON.stringify({ token, saying: whole } satisfies Waiting));
  return sendWaiting(token);
}

/** Tries again with what is kept. @returns null while there is still no network, or nothing to send */
export async function sendWaiting(token: string): Promise<CheckedIn | null> {
  const kept = waiting();
  if (kept?.token !== token) return null;
  try {
    const done = await post(addressOf('checkIn', { token }), kept.saying);
    localStorage.removeItem(waitingKey);
    return done;
  } catch (error) {
    if (error instanceof ApiProblem && error.status === 0) return null;
    localStorage.removeItem(waitingKey);
    throw error;
  }
}
