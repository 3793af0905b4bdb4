import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { TakeBack } from '../../sync/TakeBack';
import { ClassPage } from '../people/class/lazyClassPage';
import { anyNote, type NoteQuery } from './query';
import { notesHistory } from './write';
import NoteSearch from './NoteSearch';

/** The notes of one class. */
export function ClassNotesScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const [query, setQuery] = useState<NoteQuery>({ ...anyNote, sectionId });
  return (
    <ClassPage sectionId={sectionId} page="Notes" tools={<TakeBack about={notesHistory} />}>
      <NoteSearch query={query} onChange={setQuery} ofClass />
    </ClassPage>
  );
}
