import type { ContactTone } from '@slate-path/core/contact/tones';
import { addressesOf } from '@slate-path/core/people/messages/readers';
import { fillBlanks, type BlankName, type BlankValues } from '@slate-path/core/phrases/blanks';
import { listOf, type Records } from '@slate-path/core/records/records';
import { linkId } from '@slate-path/core/notes/linkId';
import { noCorrections, noteLinks } from '@slate-path/core/notes/links';
import type { NoteReading } from '@slate-path/core/notes/readNote';
import { now } from '../../sync/clock';
import { makeChange, newId } from '../../sync/outbox';
import { keyOf } from '../attendance/lesson/marking';
import { unread } from '../notes/useReader';
import type { Member } from './members';
import { valuesFor } from './valuesFor';

/** What one student gets: the sentence with the blanks filled, or as it was changed by hand. */
export interface Line {
  member: Member;
  text: string;
  /** Blanks that nothing fills: until somebody writes it by hand, this one is left out. */
  missing: BlankName[];
  isByHand: boolean;
  /** Of the guardians. */
  addresses: string[];
}

/** One line for each. @param byHand texts that were changed, by student */
export function linesOf(
  records: Records,
  members: readonly Member[],
  text: string,
  words: string,
  byHand: Readonly<Record<string, string>>,
): Line[] {
  const guardians = listOf(records, 'guardian');
  return members.map((member) => {
    const values: BlankValues = { ...valuesFor(records, member), words };
    const own = byHand[member.student.id];
    const filled = own === undefined ? fillBlanks(text, values) : { text: own, missing: [] };
    const addresses = addressesOf(member.student, guardians, 'guardians');
    return { member, ...filled, isByHand: own !== undefined, addresses };
  });
}

export const goes = ({ text, missing }: Line) => missing.length === 0 && text.trim() !== '';

/** A note to each, in one change. @returns by what it is taken back */
export function keepNotes(lines: readonly Line[], read: ((text: string) => NoteReading) | null): string {
  const id = newId();
  const at = new Date(now()).toISOString();
  const notes = lines.map(({ member: { student, place }, text }, index) => {
    const links = noteLinks(text, read?.(text) ?? unread, {
      ...noCorrections,
      moreStudents: new Set([student.id]),
    });
    return {
      ...{ id: linkId(id, String(index)), text, at, happenedAt: null, own: false, doubts: [] },
      ...{ sectionId: place.sectionId, place: '', lesson: place.lesson ? keyOf(place.lesson) : null },
      // Each is about one student, whoever else has that name.
      students: links.students.filter(({ studentId }) => studentId === student.id),
      ...{ topics: links.topics, lookAgainOn: links.lookAgainOn },
    };
  });
  makeChange('note.writeEach', { id, notes }, id);
  return id;
}

interface Letter {
  subject: string;
  teacherName: string;
  /** What it is about, so that it is not written twice unawares. */
  occasion: string;
  tone: ContactTone;
}

/** So many messages one change holds. */
const mostMessages = 500;

/** What home reads. */
export const letterOf = (text: string, teacherName: string) => `Good day,\n\n${text}\n\n${teacherName}`;

/** A letter to the guardians of each. @returns to how many homes */
export function tellHome(
  records: Records,
  lines: readonly Line[],
  { subject, teacherName, occasion, tone }: Letter,
): number {
  const noticeId = newId();
  const messages = lines
    .filter(({ addresses }) => addresses.length > 0)
    .map(({ member, text, addresses }) => ({
      id: newId(),
      ...{ noticeId, studentId: member.student.id, occasion, toWhom: 'guardians' as const },
      reason: `A sentence about each, ${records.section[member.place.sectionId]?.name ?? ''}`.slice(0, 200),
      addresses: addresses.slice(0, 8),
      subject: fillBlanks(subject, valuesFor(records, member)).text.slice(0, 200),
      body: letterOf(text, teacherName).slice(0, 5000),
      writtenAt: new Date(now()).toISOString(),
      notBefore: null,
      showsAddresses: false,
      tone,
    }));
  for (let at = 0; at < messages.length; at += mostMessages)
    makeChange('message.send', { messages: messages.slice(at, at + mostMessages) }, 'outbox');
  return messages.length;
}
