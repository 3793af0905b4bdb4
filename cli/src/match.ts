import { TableError } from '@slate-path/core/formats/table';
import { readParticipantFile } from '@slate-path/core/attendance/participants/readParticipantFile';
import { defaultGraceMinutes } from '@slate-path/core/attendance/roll/rules';
import type { Known } from '@slate-path/core/attendance/participants/matchPeople';
import { meetingRoll, type MeetingMark } from '@slate-path/core/attendance/participants/meetingRoll';
import { readParticipants } from '@slate-path/core/attendance/participants/readParticipants';
import { datesOf, participantsAtSchool } from '@slate-path/core/attendance/participants/schoolTime';
import { readRosterFile } from '@slate-path/core/people/roster/oneRoster';
import { readRoster } from '@slate-path/core/people/roster/readRoster';
import { InputError, print, readInput } from './input';

export interface MatchCommand {
  roster: string;
  participants: string;
  lessonStart?: LessonTime;
  lessonEnd?: LessonTime;
  grace?: number;
  strictEmail?: boolean;
  json?: boolean;
}

/** `HH:MM`, with a date or without. */
export interface LessonTime {
  date: string | null;
  time: string;
}

/** Reads a file, and says of what kind of trouble which file it was. */
async function readOrSay<T>(file: string, read: (bytes: Uint8Array) => Promise<T>): Promise<T> {
  try {
    return await read(readInput(file));
  } catch (error) {
    if (error instanceof TableError) throw new InputError(`${file}: ${error.message}`);
    throw error;
  }
}

/** The roster's people by their id, or by their line where there is none; who is there twice is there once. */
async function rosterOf(file: string): Promise<Map<string, { known: Known; student: string | number }>> {
  const { rows } = readRoster(await readOrSay(file, readRosterFile));
  const people = rows.filter(
    (row) => row.fate !== 'left_out' && !row.doubts.some(({ reason }) => reason.startsWith('the same name')),
  );
  return new Map(
    people.map((row) => {
      const { givenName, familyName, called, email, schoolId } = row;
      const id = `line ${row.line}`;
      const known = { id, givenName, familyName, called, email, schoolId };
      return [id, { known, student: schoolId || row.line }];
    }),
  );
}

/** `slate match`: a lesson's roll from a participant list. */
export async function match(command: MatchCommand): Promise<void> {
  const roster = await rosterOf(command.roster);
  const { lessonStart, lessonEnd, grace = defaultGraceMinutes } = command;
  const reading = await readOrSay(command.participants, async (bytes) =>
    readParticipants(await readParticipantFile(bytes), lessonStart?.date ?? null),
  );
  for (const { line, text, reason } of reading.leftOut)
    console.error(`${command.participants}:${line}: left out, ${reason}: ${text}`);
  if (reading.dateOrderUnsure)
    console.error(`${command.participants}: dates could be day or month first; they were read day first.`);
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const participants = participantsAtSchool(reading, zone, lessonStart?.date ?? null);
  const date = lessonStart?.date ?? datesOf(participants)[0] ?? null;
  const lesson =
    lessonStart && lessonEnd ? { date, startsAt: lessonStart.time, endsAt: lessonEnd.time } : null;
  const students = [...roster.values()].map(({ known }) => known);
  const options = { looseEmail: !command.strictEmail, remembered: new Map<string, string | null>() };
  const { marks, unmatched } = meetingRoll(participants, students, lesson, grace, options);
  const nameOf = (id: string) => roster.get(id)?.student ?? id;
  // As the lesson was given: a time of day, or a day and a time.
  const moment = (time: string | null) =>
    time === null ? null : lessonStart?.date ? `${lessonStart.date}T${time}` : time.slice(0, 5);
  const lineOf = ({ studentId, standing, arrivedAt, leftAt, minutes, matchedBy }: MeetingMark) => ({
    student: nameOf(studentId),
    email: roster.get(studentId)?.known.email ?? '',
    standing,
    arrived_at: moment(arrivedAt),
    left_at: moment(leftAt),
    minutes,
    matched_by: matchedBy,
  });
  const entries = unmatched.map(({ lines, candidates }) => ({
    unmatched: lines[0]?.written ?? '',
    candidates: candidates.map(nameOf),
  }));
  print([...marks.map(lineOf), ...entries], command.json);
}
