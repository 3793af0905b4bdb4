import {
  schoolNames,
  type Hideable,
  type SchoolNames,
} from '@slate-path/core/sharing/readerPage/othersHidden';
import type { RecordReader } from '../../database/readRecords';

/** Everybody of the maker's school: a text may name somebody whom the maker does not teach. */
export function everybody(reader: RecordReader, madeBy: string): Hideable[] {
  return reader.rows<Hideable>(
    `SELECT "id", "givenName", "familyName", "called", "email" FROM "student" WHERE "id" IN (SELECT s."id" FROM "scope" s JOIN "member" m ON m."schoolId" = s."schoolId" WHERE m."personId" = ? AND s."kind" = 'student')`,
    [madeBy],
  );
}

/** The names of a school, taken apart once for as long as they stay the same: pages are opened again and again. */
const known = { key: '', names: schoolNames([]) };

export function namesOf(students: readonly Hideable[]): SchoolNames {
  const key = JSON.stringify(
    students.map(({ id, givenName, familyName, called, email }) => [
      id,
      givenName,
      familyName,
      called,
      email,
    ]),
  );
  if (key !== known.key) Object.assign(known, { key, names: schoolNames(students) });
  return known.names;
}
