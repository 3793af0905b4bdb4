import { createHash } from 'node:crypto';
import { personKey } from '@slate-path/core/attendance/participants/personKey';
import type { FeedRow } from '../../database/feedEntity';
import type { Sql } from '../../database/sql';
import { hashOfAddress } from '../hashedPeople';
import { feedsOfSchool, setState } from './feeds';

/** That somebody was forgotten, without who: the hash of how they are written, with the feed's id as its salt. */
const hashOf = (feedId: string, key: string) =>
  createHash('sha256')
    .update(`${feedId} ${key.toLowerCase().replace(/\s+/g, ' ').trim()}`)
    .digest('base64url');

export const isForgotten = (
  { id, state }: FeedRow,
  { email, schoolId, name }: { email: string; schoolId: string; name: string },
): boolean => [email, schoolId, name].some((key) => key !== '' && state.forgotten.includes(hashOf(id, key)));

/** A student is erased: no store's list of strangers names them, now or when their statements come again. */
export function forgetInFeeds(
  sql: Sql,
  teacherId: string,
  student: {
    id: string;
    givenName: string;
    familyName: string;
    called: string;
    email: string;
    schoolId: string;
  },
): void {
  const { givenName, familyName, called, email, schoolId } = student;
  const answered = sql
    .all<{ entry: string }>('SELECT "entry" FROM "participantAnswer" WHERE "studentId" = ?', student.id)
    .map(({ entry }) => entry);
  const firsts = [givenName, called].filter(Boolean);
  const names = firsts.flatMap((first) => [
    `${first} ${familyName}`,
    `${familyName} ${first}`,
    `${familyName}, ${first}`,
  ]);
  const addresses = email ? [email, hashOfAddress(email), hashOfAddress(email.toLowerCase())] : [];
  const keys = [...names, ...addresses, schoolId, ...answered].map((key) => key.trim()).filter(Boolean);
  const known = new Set(keys.map((key) => key.toLowerCase()));
  for (const feed of feedsOfSchool(sql, teacherId))
    setState(sql, feed, (state) => ({
      ...state,
      strangers: state.strangers.filter(
        (stranger) =>
          !known.has(personKey(stranger).toLowerCase()) && !known.has(stranger.written.toLowerCase()),
      ),
      waiting: state.waiting.filter(({ studentId }) => studentId !== student.id),
      forgotten: [...new Set([...state.forgotten, ...keys.map((key) => hashOf(feed.id, key))])],
    }));
}
