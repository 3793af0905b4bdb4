import { suggestTopics, type SuggestedTopic } from '@slate-path/core/notes/suggestTopics';
import { mostRead } from '@slate-path/core/notes/readNote';
import type { Note } from '@slate-path/core/records/schema';
import { groupBy } from '@slate-path/core/records/groupBy';
import { RecordReader } from '../database/readRecords';

export interface SuggestionRange {
  file: string;
  teacherId: string;
  /** ISO moments, `until` not included. */
  from: string;
  until: string;
}

/** So many characters of the latest notes are read: a year of a whole school's is no topic of this month. */
const mostInAll = 3_000_000;

function withinReach(notes: readonly Note[]): Note[] {
  let read = 0;
  return notes
    .toSorted((a, b) => (a.at < b.at ? 1 : -1))
    .filter(({ text }) => {
      read += Math.min(text.length, mostRead);
      return read <= mostInAll;
    });
}

/** Words that come up often in the notes of a range, read in a worker. */
export function suggest({ file, teacherId, from, until }: SuggestionRange): SuggestedTopic[] {
  const records = new RecordReader(file);
  try {
    const of = '"teacherId" = ?';
    const notes = records.all('note', `${of} AND NOT "removed" AND "at" >= ? AND "at" < ?`, [
      teacherId,
      from,
      until,
    ]);
    const links = groupBy(
      records.all('noteStudent', `${of} AND NOT "removed"`, [teacherId]),
      (link) => link.noteId,
    );
    const topics = records.all('topic', `${of} AND NOT "removed"`, [teacherId]);
    const students = records.all('student', of, [teacherId]);
    const passed = records.all('passedWord', `${of} AND NOT "removed"`, [teacherId]);
    return suggestTopics({
      notes: withinReach(notes).map(({ id, text }) => ({
        text: text.slice(0, mostRead),
        studentIds: (links.get(id) ?? []).map(({ studentId }) => studentId),
      })),
      known: [
        ...topics.flatMap(({ name, alsoCalled }) => [name, ...alsoCalled]),
        ...students.flatMap(({ givenName, familyName, called }) => [givenName, familyName, called]),
        ...passed.map(({ word }) => word),
      ],
    });
  } finally {
    records.close();
  }
}
