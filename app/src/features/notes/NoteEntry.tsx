import NotebookPen from 'lucide-react-native/icons/notebook-pen';
import { lazy, Suspense, useEffect } from 'react';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { typing } from '../attendance/lesson/useLessonKeys';
import { openDraft, useDraft } from './draft';
import { loadReading } from './useReader';

const loadComposer = () => import('./NoteComposer');
const NoteComposer = lazy(loadComposer);
const NoteKept = lazy(() => import('./NoteKept'));

/** No letter and no digit, for on the tally those find students and look-fors. */
export const noteKey = '.';
const loadAfterMs = 2500;

/** Opens the line for a note, on every page; so does the key. */
export function NoteButton({ wide }: { wide: boolean }) {
  const palette = usePalette();
  const open = useDraft((draft) => draft.open);
  return (
    <TouchableRipple
      role="button"
      aria-label="Write a note"
      aria-expanded={open}
      onPress={openDraft}
      style={{ flex: wide ? undefined : 1, minHeight: wide ? 76 : 60, justifyContent: 'center' }}
    >
      <View style={{ alignItems: 'center', gap: 2 }}>
        <View
          style={{
            width: 44,
            height: 28,
            borderRadius: 6,
            alignItems: 'center',
            justifyContent: 'center',
            backgroundColor: palette.slate,
          }}
        >
          <NotebookPen size={20} color={palette.onSlate} strokeWidth={2} />
        </View>
        <Words size="small" tone="slate" bold>
          Note
        </Words>
      </View>
    </TouchableRipple>
  );
}

/** The line itself, below whatever page is open. */
export function NoteLine() {
  const open = useDraft((draft) => draft.open);
  const kept = useDraft((draft) => draft.kept);
  useEffect(() => {
    // It is wanted without a network too, and at once: it comes when the first page has its peace, and never
    // between two taps of a roll, which would wait for it.
    const fetchAll = () => {
      window.removeEventListener('pointerdown', wait);
      void Promise.all([loadComposer(), loadReading()]).catch(() => undefined);
    };
    let timer = setTimeout(fetchAll, loadAfterMs);
    const wait = () => {
      clearTimeout(timer);
      timer = setTimeout(fetchAll, loadAfterMs);
    };
    window.addEventListener('pointerdown', wait);
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== noteKey || typing() || event.ctrlKey || event.metaKey || event.altKey) return;
      event.preventDefault();
      openDraft();
    };
    window.addEventListener('keydown', onKey);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('pointerdown', wait);
      window.removeEventListener('keydown', onKey);
    };
  }, []);
  return (
    <Suspense fallback={null}>{open ? <NoteComposer /> : kept ? <NoteKept kept={kept} /> : null}</Suspense>
  );
}
