import { suggestTopics, type SuggestedTopic } from '@slate-path/core/notes/suggestTopics';
import { mostRead } from '@slate-path/core/notes/readNote';
import type { Note } from '@slate-path/core/records/schema';
import { groupBy } from '@slate-path/core/records/groupBy';
import { notRemoved, RecordReader } from '../database/readRecords';
import { readable } from '../scopes/access';

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
    const lately = `${readable('note')} AND NOT "removed" AND "at" >= ? AND "at" < ?`;
    const notes = records.all('note', lately, [teacherId, from, until]);
    const links = groupBy(records.seenBy(teacherId, 'noteStudent', notRemoved), (link) => link.noteId);
    const topics = records.all('topic', `${readable('topic')} AND NOT "removed"`, [teacherId]);
    const students = records.seenBy(teacherId, 'student');
    const passed = records.seenBy(teacherId, 'passedWord', notRemoved);
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
