import { createHash } from 'node:crypto';
import { z } from 'zod';

/** Where a device stands: what it has been told. */
export interface Cursor {
  /** The last line of the log whose changes it knows, and that line's id: after a restore another may have the number. */
  seq: number;
  changeId: string;
  /** Another than before where something has to be forgotten. */
  forgets: string;
  /** What it is in which scopes, each as a short word. */
  scopes: string[];
  /** In the midst of all that a device holds: the table and the last row of it; null once it has all. */
  at: [table: number, rowid: number] | null;
}

/** Another number makes every device ask for all of it: records are of other tables than before. */
const form = 2;
const Packed = z.tuple([
  z.literal(form),
  z.int(),
  z.string(),
  z.string(),
  z.string(),
  z.tuple([z.int(), z.int()]).nullable(),
]);

const wordLength = 6;

/** A short word for a longer text. */
export function wordFor(text: string): string {
  return createHash('sha256').update(text).digest('base64url').slice(0, wordLength);
}

export function packCursor({ seq, changeId, forgets, scopes, at }: Cursor): string {
  return Buffer.from(JSON.stringify([form, seq, changeId, forgets, scopes.join(''), at])).toString(
    'base64url',
  );
}

/** @returns null for what is none of ours */
export function unpackCursor(packed: string | undefined): Cursor | null {
  if (!packed) return null;
  try {
    const found = Packed.safeParse(JSON.parse(Buffer.from(packed, 'base64url').toString()));
    if (!found.success) return null;
    const [, seq, changeId, forgets, words, at] = found.data;
    const scopes = words.match(new RegExp(`.{${wordLength}}`, 'g')) ?? [];
    return { seq, changeId, forgets, scopes: [...scopes], at };
  } catch {
    return null;
  }
}
