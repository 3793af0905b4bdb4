import { In } from '../database/conditions';
import type { SearchTerm, Span } from '@slate-path/core/notes/searchTerms';
import { wordsOf } from '@slate-path/core/notes/words';
import { groupBy } from '@slate-path/core/records/groupBy';
import { mostRead as mostReadOfNote } from '@slate-path/core/notes/readNote';
import type { Note } from '@slate-path/core/records/schema';
import { findNoteRows } from '../database/noteIndex';
import type { Services } from '../services';
import { load } from '../database/load';
import { notesOf } from './readNotes';

const mostOffered = 300;

/** What the index is asked for a name: all its words, or all in one. */
function termsOf(name: string): SearchTerm[][] {
  const words = wordsOf(name).map(({ folded }) => folded);
  const each = words.map((word) => ({ words: [word], prefix: false }));
  return words.length > 1 ? [each, [{ words: [words.join('')], prefix: false }]] : [each];
}

export interface Speaking {
  notes: Note[];
  found: { noteId: string; spans: Span[] }[];
  more: boolean;
}

/**
 * Notes that speak of a topic by one of its names, as a reading would find it, the latest first.
 * @param asked topics whose notes are left out: they were marked, or taken out by hand
 */
export async function notesSpeakingOf(
  { database: { read, lookUp }, jobs }: Pick<Services, 'database' | 'jobs'>,
  teacherId: string,
  names: readonly string[],
  asked: readonly string[],
): Promise<Speaking> {
  const limit = { limit: mostOffered, skip: 0 };
  const rows = names
    .flatMap(termsOf)
    .filter((terms) => terms.length > 0)
    .flatMap((terms) => findNoteRows(lookUp, { teacherId }, terms, limit));
  const notes = new Map(notesOf(rows).map((note) => [note.id, note]));
  const ofThem = { noteId: In([...notes.keys()]) };
  const known = await load(read, 'noteTopic', teacherId, { ...ofThem, topicId: In([...asked]) });
  for (const { noteId } of known) notes.delete(noteId);
  const ties = groupBy(await load(read, 'noteStudent', teacherId, ofThem), ({ noteId }) => noteId);
  const candidates = [...notes.values()]
    .sort((a, b) => (a.at < b.at ? 1 : -1))
    .map(({ id, text }) => ({
      noteId: id,
      text: text.slice(0, mostReadOfNote),
      named: (ties.get(id) ?? []).flatMap(({ spans }) => spans),
    }));
  const { found, more } = await jobs.run('readCandidates', { names, candidates });
  return {
    notes: found.flatMap(({ noteId }) => notes.get(noteId) ?? []),
    found,
    more: more || rows.length >= mostOffered,
  };
}
