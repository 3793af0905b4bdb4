import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { TakeBack } from '../../sync/TakeBack';
import { WatchPage } from '../watch/lazyWatchPage';
import { openDraft } from './draft';
import { anyNote, type NoteQuery } from './query';
import { notesHistory } from './write';
import NoteSearch from './NoteSearch';

/** All notes: looked for by words and by what the address says. */
export function NotesScreen() {
  const asked = useLocalSearchParams<Partial<NoteQuery>>();
  const [query, setQuery] = useState<NoteQuery>({ ...anyNote, ...asked });
  return (
    <WatchPage
      page="Notes"
      tools={<TakeBack about={notesHistory} />}
      acts={[{ label: 'Write a note', onPress: openDraft }]}
      sectionId={query.sectionId}
    >
      <NoteSearch query={query} onChange={setQuery} />
    </WatchPage>
  );
}
