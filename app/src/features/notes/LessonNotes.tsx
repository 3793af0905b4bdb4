import { useRouter } from 'expo-router';
import { View } from 'react-native';
import type { Lesson } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Sheet } from '../../parts/Sheet';
import { Words } from '../../parts/Words';
import { longDay } from '../../parts/dates';
import { space } from '../../theme/tokens';
import { useRecords } from '../../sync/useRecords';
import FollowUpLine from './FollowUpLine';
import NoteCard from './NoteCard';
import { latestNotes } from './ties';
import { useDue } from './useDue';

/** Notes written in a lesson, the latest first. */
export function LessonNotes({ lesson }: { lesson: Lesson }) {
  const notes = useRecords((state) => latestNotes(state.current)).filter(
    ({ lessonId }) => lessonId === lesson.id,
  );
  if (notes.length === 0) return null;
  return (
    <View style={{ gap: space(2) }}>
      <Words size="large" serif heading={2}>
        {`Notes: ${notes.length}`}
      </Words>
      {notes.map((note) => (
        <NoteCard key={note.id} note={note} />
      ))}
    </View>
  );
}

/** What was promised for today, settled where one stands. */
export function DueNotes() {
  const due = useDue();
  const notes = useRecords((state) => state.current.note);
  const router = useRouter();
  if (due.length === 0) return null;
  return (
    <View style={{ gap: space(2) }}>
      <Words size="large" serif heading={2}>
        {`To look at again: ${due.length}`}
      </Words>
      {due.map(({ noteId }) => {
        const note = notes[noteId];
        return note ? <NoteCard key={noteId} note={note} tools={<FollowUpLine noteId={noteId} />} /> : null;
      })}
      <View style={{ alignItems: 'flex-start' }}>
        <Action
          label="All of them"
          onPress={() => {
            router.push('/again');
          }}
        />
      </View>
    </View>
  );
}

/** On the phone: both in a sheet over the roll. */
export default function LessonNotesSheet({ lesson, onClose }: { lesson: Lesson; onClose: () => void }) {
  return (
    <Sheet title="Notes" note={longDay(lesson.date)} onClose={onClose}>
      <DueNotes />
      <LessonNotes lesson={lesson} />
    </Sheet>
  );
}
