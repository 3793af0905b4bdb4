import { readArchive, NotAnArchive } from '@slate-path/core/keeping/archive/readArchive';
import { toRecords } from '@slate-path/core/keeping/archive/toRecords';
import { CalendarError, readDaysOff } from '@slate-path/core/calendar/icalendar';
import { Change } from '@slate-path/core/changes/schema';
import { erasedNames, withoutName } from '@slate-path/core/keeping/erasure/eraseNames';
import { guardFormulas, unguardFormulas } from '@slate-path/core/formats/formulas';
import { decodeText } from '@slate-path/core/formats/decodeText';
import { TableError } from '@slate-path/core/formats/table';
import { findTopics, topicIndex } from '@slate-path/core/notes/findTopics';
import { nameIndex } from '@slate-path/core/notes/names';
import { readNote } from '@slate-path/core/notes/readNote';
import { schoolDays } from '@slate-path/core/notes/schoolDays';
import { searchTerms } from '@slate-path/core/notes/searchTerms';
import { suggestTopics } from '@slate-path/core/notes/suggestTopics';
import { wordsOf } from '@slate-path/core/notes/words';
import { meetingRoll } from '@slate-path/core/attendance/participants/meetingRoll';
import { readParticipantFile } from '@slate-path/core/attendance/participants/readParticipantFile';
import { readParticipants } from '@slate-path/core/attendance/participants/readParticipants';
import { foldName } from '@slate-path/core/people/names';
import { mergeRoster } from '@slate-path/core/people/roster/mergeRoster';
import { readRosterFile } from '@slate-path/core/people/roster/oneRoster';
import { readRoster } from '@slate-path/core/people/roster/readRoster';
import { readDuration } from '@slate-path/core/observation/tallies/duration';

/** Everything that reads what a person or a program gives: what it is given, at most how long. */
export interface Parser {
  longest: number;
  takes: 'text' | 'file';
  read: (bytes: Uint8Array) => unknown;
}

const today = { date: '2026-11-23', time: '10:05' };
const people = [
  { id: 'a', givenName: 'Mei', familyName: 'Tanaka', called: '', email: 'mei@x.example', schoolId: 'T1' },
  { id: 'b', givenName: 'Mónica', familyName: 'de los Ríos', called: 'Moni', email: '', schoolId: '' },
].map((one) => ({ ...one, grade: '', removed: false }));
const calendar = { terms: [], daysOff: [], meetings: [], lessons: [] };
const noteContext = {
  today: today.date,
  days: schoolDays(calendar, today, null),
  roster: { index: nameIndex(people), inHand: new Set(['a']) },
  topics: topicIndex([{ id: 't', names: ['look again', 'splicing', 'off task'] }]),
};
const names = erasedNames(people[0]!, people.slice(1), ['mei@x.example']);
const text = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
const asText = (read: (text: string) => unknown, longest: number): Parser => ({
  longest,
  takes: 'text',
  read: (bytes) => read(text(bytes)),
});
const asFile = (read: (bytes: Uint8Array) => unknown, longest = 200_000): Parser => ({
  longest,
  takes: 'file',
  read,
});

export const parsers: Record<string, Parser> = {
  note: asText((one) => readNote(one, noteContext), 20_000),
  searchTerms: asText(searchTerms, 200),
  topics: asText((one) => findTopics(wordsOf(one), noteContext.topics, []), 20_000),
  suggestions: asText(
    (one) => suggestTopics({ notes: [{ text: one, studentIds: ['a'] }], known: [] }),
    20_000,
  ),
  erasing: asText((one) => withoutName(one, names), 20_000),
  names: asText(foldName, 20_000),
  formulas: asText((one) => {
    if (unguardFormulas(guardFormulas(one)) !== one) throw new Error('not the same again');
  }, 20_000),
  duration: asText(readDuration, 200),
  change: asText(
    (one) =>
      Change.safeParse({ id: one, kind: 'note.write', payload: { text: one }, madeAt: one, device: one }),
    20_000,
  ),
  roster: asFile(async (bytes) =>
    mergeRoster(readRoster(await readRosterFile(bytes)).rows, 's', {
      students: people,
      guardians: [],
      enrolments: [],
    }),
  ),
  participants: asFile(async (bytes) => {
    const { participants } = readParticipants(await readParticipantFile(bytes), today.date);
    const lesson = { date: today.date, startsAt: '10:40', endsAt: '11:30' };
    return meetingRoll(participants, people, lesson, 5, { looseEmail: true, remembered: new Map() });
  }),
  daysOff: asFile((bytes) => readDaysOff(decodeText(bytes)), 100_000),
  archive: asFile((bytes) => {
    const { archive, errors } = readArchive(bytes);
    return errors.length > 0 ? errors : toRecords(archive, 'Europe/Dublin');
  }),
};

/** Errors that are answers: the sentence that a person is shown. */
export const isAnswer = (error: unknown) =>
  error instanceof TableError || error instanceof CalendarError || error instanceof NotAnArchive;
