import type { Note, NoteStudent, NoteTopic, Topic } from '../records/schema';
import { topicNow } from './topics';

export interface TiedNotes {
  note: Readonly<Record<string, Note>>;
  noteStudent: Readonly<Record<string, NoteStudent>>;
  noteTopic: Readonly<Record<string, NoteTopic>>;
  topic: Readonly<Record<string, Topic>>;
}

/** How many notes of a topic speak of a student. */
export interface Touched {
  studentId: string;
  notes: number;
}

/**
 * Which students the notes since a moment tie to which topic, those with most notes first.
 * @param since ISO moment
 */
export function studentsByTopic(
  { note, noteStudent, noteTopic, topic }: TiedNotes,
  since: string,
): Map<string, Touched[]> {
  const studentsOf = new Map<string, string[]>();
  for (const { noteId, studentId, removed } of Object.values(noteStudent)) {
    const found = note[noteId];
    if (removed || !found || found.removed || found.at < since) continue;
    studentsOf.set(noteId, [...(studentsOf.get(noteId) ?? []), studentId]);
  }
  const notesOf = new Map<string, Map<string, Set<string>>>();
  for (const { noteId, topicId, removed } of Object.values(noteTopic)) {
    const standing = topicNow(topic, topicId);
    if (removed || !standing || standing.removed) continue;
    const students = notesOf.get(standing.id) ?? new Map<string, Set<string>>();
    for (const id of studentsOf.get(noteId) ?? [])
      students.set(id, (students.get(id) ?? new Set<string>()).add(noteId));
    notesOf.set(standing.id, students);
  }
  return new Map(
    [...notesOf].map(([topicId, students]) => [
      topicId,
      [...students]
        .map(([studentId, notes]) => ({ studentId, notes: notes.size }))
        .toSorted((a, b) => b.notes - a.notes || (a.studentId < b.studentId ? -1 : 1)),
    ]),
  );
}
