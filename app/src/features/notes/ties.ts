import { localMoment } from '@slate-path/core/calendar/zone';
import { topicNow } from '@slate-path/core/notes/topics';
import { groupBy } from '@slate-path/core/records/groupBy';
import { listOf, type Records } from '@slate-path/core/records/records';
import type { FollowUp, Note, NoteStudent, Topic } from '@slate-path/core/records/schema';
import { useMemo } from 'react';
import { zoneOf } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import { remembered } from '../../sync/remembered';

/** Which students each note is tied to. */
export const studentsOfNotes = remembered(
  ({ noteStudent }) => [noteStudent],
  (records): Map<string, NoteStudent[]> => groupBy(listOf(records, 'noteStudent'), ({ noteId }) => noteId),
);

/** Which topics each note touches, as they stand now. */
export const topicsOfNotes = remembered(
  ({ noteTopic, topic }) => [noteTopic, topic],
  (records) => {
    const found = new Map<string, Topic[]>();
    for (const { noteId, topicId } of listOf(records, 'noteTopic')) {
      const topic = topicNow(records.topic, topicId);
      if (!topic || topic.removed) continue;
      const known = found.get(noteId) ?? [];
      if (!known.some(({ id }) => id === topic.id)) found.set(noteId, [...known, topic]);
    }
    return found;
  },
);

/** Notes known here, the latest first. */
export const latestNotes = remembered(
  ({ note }) => [note],
  (records): Note[] => listOf(records, 'note').toSorted((a, b) => (a.at < b.at ? 1 : -1)),
);

/** What is still to be looked at again, the earliest day first. */
export const openFollowUps = remembered(
  ({ followUp, note }) => [followUp, note],
  (records): FollowUp[] =>
    listOf(records, 'followUp')
      .filter(({ outcome, noteId }) => outcome === 'open' && records.note[noteId]?.removed === false)
      .toSorted((a, b) => (a.dueOn < b.dueOn ? -1 : a.dueOn > b.dueOn ? 1 : a.noteId < b.noteId ? -1 : 1)),
);

/** The school's day and time at which a note was written. */
export function momentOf(note: Note, records: Records) {
  return localMoment(Date.parse(note.at), zoneOf(Object.values(records.school)[0]));
}

/** The same, for one note on the screen. */
export function useMoment(note: Note) {
  const zone = useRecords((state) => zoneOf(Object.values(state.current.school)[0]));
  return useMemo(() => localMoment(Date.parse(note.at), zone), [note.at, zone]);
}

/** Notes about a student, or any of several, the latest first. */
export function useNotesAbout(about: string | readonly string[]): Note[] {
  const current = useRecords((state) => state.current);
  const key = typeof about === 'string' ? about : about.join('\n');
  return useMemo(() => {
    const studentIds = key.split('\n');
    const mentions = studentsOfNotes(current);
    return latestNotes(current).filter(({ id }) =>
      (mentions.get(id) ?? []).some(({ studentId }) => studentIds.includes(studentId)),
    );
  }, [current, key]);
}
