import { namedBy, type SearchTerm } from '@slate-path/core/notes/searchTerms';
import type { Named } from '@slate-path/core/people/names';
import type { Note } from '@slate-path/core/records/schema';
import { findNoteRows, type NoteFilter } from '../database/noteIndex';
import type { Sql } from '../database/sql';
import { readable } from '../scopes/access';
import { notesOf } from './readNotes';

/** More words than this that are names are searched for in the texts only. */
const mostNames = 3;

interface Sought {
  terms: SearchTerm[];
  about: string[][];
}

/** The ways in which terms can be meant: each as a word of the text, or as a name of a student the note is tied to. */
function meanings(terms: readonly SearchTerm[], students: readonly (Named & { id: string })[]): Sought[] {
  let found: Sought[] = [{ terms: [], about: [] }];
  let names = 0;
  for (const term of terms) {
    const ids = names < mostNames ? namedBy(students, term).map(({ id }) => id) : [];
    if (ids.length > 0) names += 1;
    found = found.flatMap((one) => [
      { ...one, terms: [...one.terms, term] },
      ...(ids.length > 0 ? [{ ...one, about: [...one.about, ids] }] : []),
    ]);
  }
  return found;
}

/** Notes that fit, the latest first; a word may stand in the text or be a name of a student of the note. */
export function findNotes(
  sql: Sql,
  filter: NoteFilter,
  terms: readonly SearchTerm[],
  { limit, skip }: { limit: number; skip: number },
): Note[] {
  if (terms.length === 0) return notesOf(findNoteRows(sql, filter, terms, { limit, skip }));
  const students = sql.all(
    `SELECT "id", "givenName", "familyName", "called" FROM "student" WHERE ${readable('student')} AND NOT "removed"`,
    filter.teacherId,
  ) as unknown as (Named & { id: string })[];
  const ways = meanings(terms, students);
  if (ways.length === 1) return notesOf(findNoteRows(sql, filter, terms, { limit, skip }));
  const found = new Map<string, Note>();
  for (const { terms: inText, about } of ways)
    for (const note of notesOf(
      findNoteRows(sql, { ...filter, about }, inText, { limit: limit + skip, skip: 0 }),
    ))
      found.set(note.id, note);
  return [...found.values()].sort((a, b) => (a.at < b.at ? 1 : -1)).slice(skip, skip + limit);
}
