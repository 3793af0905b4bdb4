import type { Span } from '../../notes/searchTerms';
import { blanked } from './eraseNames';

type Json = Record<string, unknown>;

/** Who is erased, and how texts are cleaned. */
export interface Erased {
  studentId: string;
  /** Records that go with the student: marks, addresses, notes about nobody else. */
  recordIds: ReadonlySet<string>;
  rename: (text: string) => string;
}

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Is this record, line of a list or id the student's own? */
function isOf(value: unknown, { studentId, recordIds }: Erased): boolean {
  if (typeof value === 'string') return value === studentId || recordIds.has(value);
  if (!isObject(value)) return false;
  const { id, studentId: of, noteId, after } = value;
  if (of === studentId) return true;
  if (isObject(after) && after['studentId'] === studentId) return true;
  if (typeof noteId === 'string' && recordIds.has(noteId)) return true;
  if (typeof id !== 'string') return false;
  // What ties a student to something has an id of both.
  return (
    id === studentId || recordIds.has(id) || id.endsWith(`.${studentId}`) || id.endsWith(`/${studentId}`)
  );
}

/** Places of a note's text that are the student's, from the links beside it. */
function placesIn(value: Json, studentId: string): Span[] {
  const links = Array.isArray(value['students']) ? (value['students'] as unknown[]) : [];
  return links.flatMap((link) =>
    isObject(link) && link['studentId'] === studentId && Array.isArray(link['spans'])
      ? (link['spans'] as Span[])
      : [],
  );
}

/**
 * Anything that was written down (a change's payload, the edits of a line of the log, a record) without a
 * student: what is the student's own is gone, names in a note's text are blanked at their places, and
 * every other text is cleaned.
 * @returns null where nothing else is left
 */
export function forget(value: unknown, erased: Erased): unknown {
  if (isOf(value, erased)) return null;
  if (typeof value === 'string') return erased.rename(value);
  if (Array.isArray(value))
    return value.filter((one) => !isOf(one, erased)).map((one) => forget(one, erased));
  if (!isObject(value)) return value;
  const places = placesIn(value, erased.studentId);
  const text = value['text'];
  const plain =
    places.length > 0 && typeof text === 'string' ? { ...value, text: blanked(text, places) } : value;
  return Object.fromEntries(Object.entries(plain).map(([key, one]) => [key, forget(one, erased)]));
}

/** A line of the log without a student; its edits have a note's text as its payload has it. */
export function forgetLine(
  { payload, edits }: { payload: unknown; edits: unknown[] },
  erased: Erased,
): { payload: unknown; edits: unknown[] } {
  const cleaned = forget(payload, erased);
  const before = isObject(payload) ? payload['text'] : undefined;
  const after = isObject(cleaned) ? cleaned['text'] : undefined;
  const rename = (text: string) =>
    text === before && typeof after === 'string' ? after : erased.rename(text);
  return { payload: cleaned ?? {}, edits: forget(edits, { ...erased, rename }) as unknown[] };
}
