import { hash } from 'node:crypto';

/** An action of a student, as it is written: student, moment, kind, place, object, seconds, and the file’s own id. */
export type ActionOfStudent = readonly [string, string, string, string, string, number | null, string | null];

/** An action with the id by which it is known again. */
export type KnownAction = readonly [id: string, action: ActionOfStudent];

/** So many are worked on before others have a turn. */
export const turnLength = 500;
export const othersTurn = () => new Promise((resolve) => setImmediate(resolve));

/**
 * Gives actions ids made of what they say, in the order of those: one after the other they are written to the same
 * pages. Within one file the same action may stand twice and be two: they are told apart by their number.
 */
export async function withIds(
  sectionId: string,
  actions: readonly ActionOfStudent[],
): Promise<KnownAction[]> {
  const seen = new Map<string, number>();
  const found: KnownAction[] = [];
  for (const [index, action] of actions.entries()) {
    if (index % turnLength === 0) await othersTurn();
    const ref = action[6];
    const key = JSON.stringify(ref === null ? action : [action[0], ref]);
    const times = seen.get(key) ?? 0;
    seen.set(key, times + 1);
    // A statement has an id of its own: it is one however often it comes.
    if (ref !== null && times > 0) continue;
    const digest = hash('sha256', `${sectionId} ${key} ${times}`, 'base64url');
    found.push([`${action[1].replace(/\D/g, '')}-${digest.slice(0, 22)}`, action]);
  }
  return found.sort(([a], [b]) => (a < b ? -1 : 1));
}

/**
 * Actions as bytes, a part each: so they come from the process that reads a file, and are unpacked a part at a time.
 * All of them as objects would take several hundred megabytes.
 */
export function packed(actions: readonly KnownAction[]): Uint8Array[] {
  const parts: Uint8Array[] = [];
  const encoder = new TextEncoder();
  for (let from = 0; from < actions.length; from += turnLength)
    parts.push(encoder.encode(JSON.stringify(actions.slice(from, from + turnLength))));
  return parts;
}

export const unpacked = (part: Uint8Array): KnownAction[] =>
  JSON.parse(new TextDecoder().decode(part)) as KnownAction[];
