import { matchWritten } from '@slate-path/core/work/bring/matchWritten';
import type { StatementPart } from '@slate-path/core/work/bring/statementParts';
import { PageError, readPage } from '@slate-path/core/work/feed/readPage';
import type { Stranger } from '../../database/feedEntity';
import type { ClassKnown } from '../classOf';
import { withAddresses } from '../hashedPeople';
import type { ActionOfStudent } from '../actionParts';

export interface FeedPageRequest extends ClassKnown {
  bytes: Uint8Array;
  zone: string;
  /** What was stored up to here is counted already, in milliseconds. */
  counted: number | null;
}

export type PartOfStudent = Omit<StatementPart, 'person'> & { studentId: string };

/** A page of a store, with its actions as they are written and what is new of others. */
export interface FeedPageRead {
  actions: ActionOfStudent[];
  /** What they say of pieces of work, by student. */
  parts: PartOfStudent[];
  strangers: Stranger[];
  ofNobody: number;
  notRead: number;
  voided: string[];
  lastStored: number | null;
  count: number;
  more: string;
}

/** Reads a page of a store’s statements for a class; a sentence where it is none. */
export function readFeedPage(request: FeedPageRequest): FeedPageRead | { refused: string } {
  const { bytes, zone, students, remembered, counted } = request;
  try {
    const page = readPage(new TextDecoder().decode(bytes), zone);
    const people = withAddresses(
      page.people,
      students.map(({ email }) => email),
    );
    const who = matchWritten(people, students, new Map(remembered));
    const strangers = new Map(
      who.unmatched.map(({ person, candidates }): [number, Stranger] => {
        const { written = '', name = '', email = '', schoolId = '' } = people[person] ?? {};
        return [person, { written, name, email, schoolId, actions: 0, candidates, firstStored: Infinity }];
      }),
    );
    const isNew = (stored: number | null) => counted === null || (stored ?? Infinity) > counted;
    const known: ActionOfStudent[] = [];
    let ofNobody = 0;
    page.actions.forEach(({ person, at, kind, place, object, seconds, ref }, index) => {
      const studentId = who.students.get(person);
      if (studentId !== undefined) {
        known.push([studentId, at, kind, place, object, seconds, ref]);
        return;
      }
      const stored = page.storedAt[index] ?? null;
      if (!isNew(stored)) return;
      ofNobody += 1;
      const stranger = strangers.get(person);
      if (!stranger) return;
      stranger.actions += 1;
      stranger.firstStored = Math.min(stranger.firstStored, stored ?? 0);
    });
    return {
      actions: known,
      parts: page.parts.flatMap(({ person, ...part }) => {
        const studentId = who.students.get(person);
        return studentId === undefined ? [] : [{ ...part, studentId }];
      }),
      strangers: [...strangers.values()].filter(({ actions }) => actions > 0),
      ofNobody,
      notRead: isNew(page.lastStored) ? page.leftOut.length : 0,
      voided: page.voided,
      lastStored: page.lastStored,
      count: page.count,
      more: page.more,
    };
  } catch (error) {
    if (error instanceof PageError) return { refused: error.message };
    throw error;
  }
}
