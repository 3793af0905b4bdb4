import { findDates, lookAgainOn, type DateFound } from './dates/findDates';
import { findStudents, type Mention, type Roster } from './findStudents';
import { findTimes, type TimeFound } from './findTimes';
import { findTopics, type TopicIndex, type Touch } from './findTopics';
import type { DateContext } from './dates/dayMeant';
import { wordsOf } from './words';

/** What a note was understood to say, with the places in the text (UTF-16 offsets). */
export interface NoteReading {
  students: Mention[];
  topics: Touch[];
  dates: DateFound[];
  times: TimeFound[];
  /** The day to look again; null where none is named. */
  lookAgainOn: string | null;
}

export interface NoteContext extends DateContext {
  roster: Roster;
  topics: TopicIndex;
}

/** Longer notes are kept whole, and read up to here. */
export const mostRead = 20_000;

/**
 * Reads a note as a teacher writes it, without any markup: who is meant, which topics it touches, which
 * days and times it names. Pure: the same text and context give the same reading.
 */
export function readNote(text: string, context: NoteContext): NoteReading {
  const read = text.slice(0, mostRead);
  const words = wordsOf(read);
  const students = findStudents(words, context.roster);
  const named = students.map(({ from, to }) => ({ from, to }));
  const dates = findDates(read, words, context, named);
  return {
    students,
    topics: findTopics(words, context.topics, named),
    dates,
    times: findTimes(read),
    lookAgainOn: lookAgainOn(dates),
  };
}
