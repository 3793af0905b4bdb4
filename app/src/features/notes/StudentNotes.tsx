import FileOutput from 'lucide-react-native/icons/file-output';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import type { FileFormat } from '@slate-path/core/api/endpoint';
import { displayName } from '@slate-path/core/people/names';
import type { Student, Topic } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Empty } from '../../parts/Empty';
import { Sheet } from '../../parts/Sheet';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { usePaperSize } from '../../files/paperSize';
import { FileAction } from '../../files/FileAction';
import { useRecords } from '../../sync/useRecords';
import { openDraft } from './draft';
import NoteCard from './NoteCard';
import { topicsOfNotes, useNotesAbout } from './ties';
import { WhoElse } from './WhoElse';

const shown = 12;

/** A student's notes: the latest, who else has the same trouble, and the way to all. */
export function StudentNotes({ student }: { student: Student }) {
  const router = useRouter();
  const [giving, setGiving] = useState(false);
  const current = useRecords((state) => state.current);
  const notes = useNotesAbout(student.id);
  if (notes.length === 0)
    return (
      <Empty
        title={`No notes about ${displayName(student)} yet`}
        action={<Action label="Write a note" kind="main" onPress={openDraft} />}
      >
        What you write about the student anywhere, in a lesson or in the evening, stands here by itself.
      </Empty>
    );
  const topics = topicsOfNotes(current);
  const touched = new Map<string, Topic>();
  for (const { id } of notes.slice(0, 12))
    for (const topic of topics.get(id) ?? []) if (topic.trouble) touched.set(topic.id, topic);
  const name = displayName(student);
  return (
    <View style={{ gap: space(3), maxWidth: 760 }}>
      <Words size="large" serif heading={2}>
        {`Notes: ${notes.length}`}
      </Words>
      {notes.slice(0, shown).map((note) => (
        <NoteCard key={note.id} note={note} except={student.id} />
      ))}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action
          label="All and search"
          name={`All and search: notes about ${name}`}
          onPress={() => {
            router.push({ pathname: '/notes', params: { studentId: student.id } });
          }}
        />
        <Action
          label="For a reader"
          name={`Notes about ${name} for another reader`}
          icon={FileOutput}
          onPress={() => {
            setGiving(true);
          }}
        />
      </View>
      {[...touched.keys()].map((id) => (
        <WhoElse key={id} topicId={id} except={student.id} />
      ))}
      {giving ? (
        <ReaderSheet
          student={student}
          own={notes.filter(({ own }) => own).length}
          onClose={() => {
            setGiving(false);
          }}
        />
      ) : null}
    </View>
  );
}

interface ReaderSheetProps {
  student: Student;
  /** How many stay out. */
  own: number;
  onClose: () => void;
}

/** Notes for somebody else's eyes: without one's own, other children by initials. */
function ReaderSheet({ student, own, onClose }: ReaderSheetProps) {
  const paper = usePaperSize();
  const file = (format: FileFormat) => addressOf('notesFile', { studentId: student.id, format, paper });
  const left =
    own === 1 ? 'One note is only yours and stays out.' : `${own} notes are only yours and stay out.`;
  return (
    <Sheet title="For another reader" note={displayName(student)} onClose={onClose}>
      <Words>Other students stand there with their initials only.</Words>
      {own > 0 ? <Words>{left}</Words> : null}
      <FileAction label="A page to print" kind="main" address={file('html')} print />
      <FileAction label="A PDF" address={file('pdf')} />
      <FileAction label="A workbook (XLSX)" address={file('xlsx')} />
      <FileAction label="A table (CSV)" address={file('csv')} />
    </Sheet>
  );
}
