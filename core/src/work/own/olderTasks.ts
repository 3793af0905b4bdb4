import { handInId } from '../handInId';
import { finishedAt } from './finishedAt';

/** A row of an archive's file of what has no place elsewhere. */
interface MoreRow {
  table: string;
  id: string;
  fields: string;
  line: number;
}

const TaskFields = ['title', 'sectionId', 'studentId'] as const;

/** Pieces of one student stood in archives as tasks before they were pieces of work: each is a piece and its part, of a class that counts by them. */
export function fromOlderTasks<T extends MoreRow>(row: T): T[] {
  if (row.table !== 'task') return [row];
  const read = asObject(row.fields);
  if (!read || TaskFields.some((name) => typeof read[name] !== 'string')) return [row];
  const { title, sectionId, studentId, doneOn, minutes = null, removed = false } = read;
  const work = { title, sectionId, studentId, assignedAt: null, dueAt: null, points: null, removed };
  const handIn = {
    ...{ workId: row.id, studentId, minutes, removed: false, handedBackAt: null, score: null, written: null },
    status: typeof doneOn === 'string' ? 'handed_in' : 'missing',
    handedInAt: typeof doneOn === 'string' ? finishedAt(doneOn) : null,
  };
  const partId = handInId(row.id, String(studentId));
  const section = { attendedByWork: true };
  return [
    { ...row, table: 'section', id: sectionId as string, fields: JSON.stringify(section) },
    { ...row, table: 'work', fields: JSON.stringify(work) },
    { ...row, table: 'handIn', id: partId, fields: JSON.stringify(handIn) },
  ];
}

function asObject(text: string): Record<string, unknown> | null {
  try {
    const read: unknown = JSON.parse(text);
    return typeof read === 'object' && read !== null ? (read as Record<string, unknown>) : null;
  } catch {
    return null;
  }
}
