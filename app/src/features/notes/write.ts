import { linkId } from '@slate-path/core/notes/linkId';
import type { NoteLinks } from '@slate-path/core/notes/links';
import type { Lesson } from '@slate-path/core/records/schema';
import { keyOf } from '../attendance/lesson/marking';
import { now } from '../../sync/clock';
import { makeChange, newId, type Concerns } from '../../sync/outbox';

/** What *Take back* calls notes by, on whichever page they were written. */
export const notesHistory = 'notes';
/** And changes of topics. */
export const topicsHistory = 'topics';

/** A note's own records, its ties and its day to look again: what *Take back* means on its page. */
export const ofNote =
  (noteId: string): Concerns =>
  ({ id }) =>
    id === noteId || id.startsWith(linkId(noteId, ''));

export interface NewNote {
  text: string;
  links: NoteLinks;
  happenedAt: string | null;
  lesson: Lesson | null;
  sectionId: string | null;
  place: string;
  own: boolean;
}

/** Where a name that nobody settled stands, once for each place. */
export function doubtsOf({ doubts }: NoteLinks) {
  return doubts.flatMap(({ spans, candidates }) => spans.map((span) => ({ ...span, candidates })));
}

/** Keeps a note. @returns its id */
export function keepNote({ links, lesson, ...fields }: NewNote): string {
  const id = newId();
  makeChange(
    'note.write',
    {
      ...fields,
      id,
      at: new Date(now()).toISOString(),
      lesson: lesson ? keyOf(lesson) : null,
      doubts: doubtsOf(links),
      students: links.students,
      topics: links.topics,
      lookAgainOn: links.lookAgainOn,
    },
    notesHistory,
  );
  return id;
}
