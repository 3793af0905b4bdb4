import { findTopics, topicIndex } from '@slate-path/core/notes/findTopics';
import type { Span } from '@slate-path/core/notes/searchTerms';
import { wordsOf } from '@slate-path/core/notes/words';

const sought = 'sought';

/** A note that may speak of it, with the places that are students' names. */
export interface Candidate {
  noteId: string;
  text: string;
  named: Span[];
}

/** So much is read for one question, the latest first: more is no help to choose from. */
const mostRead = 200_000;

/** Where the candidates speak of a topic, as a reading of them would find it; in a worker. */
export function readCandidates({
  names,
  candidates,
}: {
  names: readonly string[];
  candidates: readonly Candidate[];
}): { found: { noteId: string; spans: Span[] }[]; more: boolean } {
  const index = topicIndex([{ id: sought, names }]);
  const found: { noteId: string; spans: Span[] }[] = [];
  let read = 0;
  for (const { noteId, text, named } of candidates) {
    read += text.length;
    if (read > mostRead) return { found, more: true };
    const spans = findTopics(wordsOf(text), index, named).map(({ from, to }) => ({ from, to }));
    if (spans.length > 0) found.push({ noteId, spans });
  }
  return { found, more: false };
}
