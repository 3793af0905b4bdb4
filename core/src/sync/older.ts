import type { Records } from '../records/records';
import type { TableName } from '../records/schema';

/** Tables of what was recorded in lessons. */
const inLessons = [
  'mark',
  'checkIn',
  'otherCheckIn',
  'sweep',
  'tallying',
  'tally',
  'turn',
  'circle',
] as const satisfies TableName[];

/** Tables of what hangs on a note. */
const ofNotes = ['noteStudent', 'noteTopic', 'followUp'] as const satisfies TableName[];

export interface RecordKey {
  table: TableName;
  id: string;
}

/**
 * What was recorded in lessons before a day, and notes and nods of before it, with what hangs on them. Not among it: the lessons
 * themselves (names and forgotten rolls depend on them), a circle still open, and notes that are to be looked at again.
 * @param before `YYYY-MM-DD`
 */
export function olderThan(records: Records, before: string): RecordKey[] {
  const isOld = (lessonId: string | null) => {
    const date = lessonId === null ? undefined : records.lesson[lessonId]?.date;
    return date !== undefined && date < before;
  };
  const waiting = new Set(
    Object.values(records.followUp).flatMap(({ outcome, noteId }) => (outcome === 'open' ? [noteId] : [])),
  );
  const oldCircle = (id: string) => {
    const circle = records.circle[id];
    return circle !== undefined && circle.endedAt !== null && isOld(circle.lessonId);
  };
  const oldNote = (id: string) => {
    const note = records.note[id];
    return note !== undefined && note.at.slice(0, 10) < before && !waiting.has(id);
  };
  const old: RecordKey[] = [];
  const take = (table: TableName, id: string, goes: boolean) => {
    if (goes) old.push({ table, id });
  };
  for (const table of inLessons)
    for (const row of Object.values<{ id: string; lessonId: string }>(records[table]))
      take(table, row.id, table === 'circle' ? oldCircle(row.id) : isOld(row.lessonId));
  for (const { id, circleId } of Object.values(records.circleMember))
    take('circleMember', id, oldCircle(circleId));
  for (const { id } of Object.values(records.note)) take('note', id, oldNote(id));
  for (const { id, at } of Object.values(records.nod)) take('nod', id, at.slice(0, 10) < before);
  for (const table of ofNotes)
    for (const { id, noteId } of Object.values<{ id: string; noteId: string }>(records[table]))
      take(table, id, oldNote(noteId));
  return old;
}
