import { create } from 'zustand';
import { noCorrections, type Corrections } from '@slate-path/core/notes/links';

const key = 'slate-note-draft';

/** The note that is being written: it outlives the page it was begun on, and the tab. */
export interface Draft {
  open: boolean;
  text: string;
  corrections: Corrections;
  /** The teacher's own: for no other reader. */
  own: boolean;
  /** In words, what was kept last; null once it has been read. */
  kept: { noteId: string; words: string } | null;
}

export const useDraft = create<Draft>()(() => ({
  open: false,
  text: localStorage.getItem(key) ?? '',
  corrections: noCorrections,
  own: false,
  kept: null,
}));

export function openDraft(): void {
  useDraft.setState({ open: true, kept: null });
}

export function closeDraft(): void {
  useDraft.setState({ open: false });
}

export function writeDraft(text: string): void {
  localStorage.setItem(key, text);
  useDraft.setState({ text });
}

export function correctDraft(corrections: Partial<Corrections>): void {
  useDraft.setState((draft) => ({ corrections: { ...draft.corrections, ...corrections } }));
}

/** After sending: an empty line again. */
export function clearDraft(kept: Draft['kept']): void {
  localStorage.removeItem(key);
  useDraft.setState({ open: false, text: '', corrections: noCorrections, own: false, kept });
}
