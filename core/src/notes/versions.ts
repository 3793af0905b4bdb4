/** A line of the log as far as a note's history needs it. */
export interface NoteLine {
  id: string;
  kind: string;
  device: string;
  madeAt: string;
  payload: unknown;
  edits: { table: string; after: Record<string, unknown>; overruled: string[] }[];
}

/** A text that a note had, or that was written for it on a device whose word was overruled. */
export interface NoteVersion {
  changeId: string;
  text: string;
  madeAt: string;
  device: string;
  /** A later word from another device stands in its place. */
  overruled: boolean;
}

interface Written {
  id?: unknown;
  text?: unknown;
}

/** What a change says of one note. */
function payloadOf(noteId: string, kind: string, payload: unknown): Written {
  if (kind === 'note.write' || kind === 'note.edit') return payload as Written;
  if (kind !== 'note.writeEach') return {};
  return (payload as { notes: Written[] }).notes.find(({ id }) => id === noteId) ?? {};
}

/** Under which a note's changes stand in the log: its own id, and that of the notes it was written with. */
export function historiesOf(noteId: string): string[] {
  const [written = ''] = noteId.split('.');
  return written === noteId ? [noteId] : [noteId, written];
}

/**
 * All texts that were ever written for a note, the latest first. Of two devices that changed it at once
 * both are there, and which was overruled is said.
 * @param lines of all its histories
 */
export function noteVersions(noteId: string, lines: readonly NoteLine[]): NoteVersion[] {
  return lines
    .flatMap(({ id, kind, device, madeAt, payload, edits }): NoteVersion[] => {
      const { text } = payloadOf(noteId, kind, payload);
      if (typeof text !== 'string') return [];
      const overruled = edits.some((edit) => edit.table === 'note' && edit.overruled.includes('text'));
      return [{ changeId: id, text, madeAt, device, overruled }];
    })
    .toSorted((a, b) => (a.madeAt < b.madeAt ? 1 : -1));
}
