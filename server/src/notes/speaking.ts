import { In } from 'typeorm';
import { findTopics, topicIndex } from '@slate-path/core/notes/findTopics';
import type { SearchTerm, Span } from '@slate-path/core/notes/searchTerms';
import { wordsOf } from '@slate-path/core/notes/words';
import type { Note } from '@slate-path/core/records/schema';
import { findNoteRows } from '../database/noteIndex';
import type { OpenDatabase } from '../database/open';
import { load } from '../views/load';
import { notesOf } from './readNotes';

const mostOffered = 300;
const sought = 'sought';

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
  { read, lookUp }: OpenDatabase,
  teacherId: string,
  names: readonly string[],
  asked: readonly string[],
): Promise<Speaking> {
  const limit = { limit: mostOffered, skip: 0 };
  const rows = names
    .flatMap(termsOf)
    .filter((terms) => terms.length > 0)
    .flatMap((terms) => findNoteRows(lookUp, { teacherId }, terms, limit));
  const candidates = new Map(notesOf(rows).map((note) => [note.id, note]));
  const ofThem = { noteId: In([...candidates.keys()]) };
  const known = await load(read, 'noteTopic', { ...ofThem, topicId: In([...asked]) });
  for (const { noteId } of known) candidates.delete(noteId);
  const mentions = await load(read, 'noteStudent', ofThem);
  const index = topicIndex([{ id: sought, names }]);
  const found = [...candidates.values()].flatMap((note) => {
    const named = mentions.filter(({ noteId }) => noteId === note.id).flatMap(({ spans }) => spans);
    const spans = findTopics(wordsOf(note.text), index, named).map(({ from, to }) => ({ from, to }));
    return spans.length > 0 ? [{ note, spans }] : [];
  });
  found.sort((a, b) => (a.note.at < b.note.at ? 1 : -1));
  return {
    notes: found.map(({ note }) => note),
    found: found.map(({ note, spans }) => ({ noteId: note.id, spans })),
    more: rows.length >= mostOffered,
  };
}
