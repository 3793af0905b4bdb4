import CalendarClock from 'lucide-react-native/icons/calendar-clock';
import CircleHelp from 'lucide-react-native/icons/circle-question-mark';
import Lock from 'lucide-react-native/icons/lock';
import { Link, useRouter } from 'expo-router';
import { View } from 'react-native';
import { passageOf } from '@slate-path/core/notes/passage';
import type { Span } from '@slate-path/core/notes/searchTerms';
import { displayName } from '@slate-path/core/people/names';
import type { Note } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { shortDay } from '../../parts/dates';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space, target } from '../../theme/tokens';
import { makeChange } from '../../sync/outbox';
import { useSectionName } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';
import { useMoment, studentsOfNotes, topicsOfNotes } from './ties';
import { notesHistory } from './write';

interface NoteCardProps {
  note: Note;
  /** Places to bring out: what was searched for. */
  hits?: readonly Span[];
  /** Who need not be named, for the page is about them. */
  except?: string | null;
  /** More to do with it here. */
  tools?: React.ReactNode;
}

const none: never[] = [];

/** Of a longer note a passage is shown, in characters. */
const longest = 280;

/** A note: when and where, its words, whom and what it is about, and when it comes up again. */
export default function NoteCard({ note, hits, except = null, tools }: NoteCardProps) {
  const palette = usePalette();
  const router = useRouter();
  const moment = useMoment(note);
  const section = useSectionName(note.sectionId);
  const followUp = useRecords((state) => state.current.followUp[note.id]);
  const day = [shortDay(moment.date), note.happenedAt ?? moment.time].join(', ');
  const place = [day, section].filter(Boolean).join(' · ');
  const open = () => {
    router.push({ pathname: '/notes/[noteId]', params: { noteId: note.id } });
  };
  const promised = followUp && !followUp.removed ? followUp : null;
  const outcome = { open: 'Look again', done: 'Done, was for', dropped: 'Dropped, was for' };
  return (
    <Card style={{ gap: space(1), paddingVertical: space(3) }}>
      <TapArea
        name={`Open the note of ${place}${note.own ? ', only mine' : ''}: ${note.text}`}
        onTap={open}
        style={{ gap: space(1) }}
      >
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
          <View style={{ flex: 1 }}>
            <Words size="small" tone="inkQuiet" figures>
              {place}
            </Words>
          </View>
          {note.own ? <Lock size={16} color={palette.plum} /> : null}
        </View>
        <NoteText note={note} hits={hits} />
      </TapArea>
      <NoteTies note={note} except={except} />
      {promised && !tools ? (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
          <CalendarClock size={18} color={palette.ochre} />
          <Words size="small" tone="inkQuiet">
            {`${outcome[promised.outcome]} ${shortDay(promised.dueOn)}`}
          </Words>
        </View>
      ) : null}
      {note.doubts.length > 0 ? <NoteDoubts note={note} /> : null}
      {tools}
    </Card>
  );
}

/** The words, with names brought out, or what was searched for. */
function NoteText({ note, hits }: { note: Note; hits: readonly Span[] | undefined }) {
  const palette = usePalette();
  const mentions = useRecords((state) => studentsOfNotes(state.current).get(note.id) ?? none);
  const spans = hits ?? mentions.flatMap((mention) => mention.spans);
  const pieces = passageOf(note.text, spans, longest);
  return (
    <Words>
      {pieces.map(({ text, hit }, at) => (
        <Words key={at} bold={hit} style={hit && hits ? { backgroundColor: palette.slateWash } : undefined}>
          {text}
        </Words>
      ))}
    </Words>
  );
}

/** Links to the students and topics of a note. */
function NoteTies({ note, except }: { note: Note; except: string | null }) {
  const palette = usePalette();
  const mentions = useRecords((state) => studentsOfNotes(state.current).get(note.id) ?? none);
  const topics = useRecords((state) => topicsOfNotes(state.current).get(note.id) ?? none);
  const students = useRecords((state) => state.current.student);
  const named = mentions.flatMap(({ studentId }) => {
    const student = students[studentId];
    return student && !student.removed && studentId !== except ? [student] : [];
  });
  if (named.length + topics.length === 0) return null;
  const link = {
    minHeight: target,
    minWidth: target,
    display: 'flex' as const,
    alignItems: 'center' as const,
    textDecorationLine: 'none' as const,
  };
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space(4), marginVertical: -space(2) }}>
      {named.map((student) => (
        <Link
          key={student.id}
          href={{ pathname: '/students/[studentId]', params: { studentId: student.id } }}
          style={link}
        >
          <Words size="small" tone="slate" bold>
            {displayName(student)}
          </Words>
        </Link>
      ))}
      {topics.map(({ id, name, trouble }) => (
        <Link
          key={id}
          href={{ pathname: '/topics/[topicId]', params: { topicId: id } }}
          aria-label={trouble ? `${name}: trouble` : name}
          style={link}
        >
          <View
            style={{
              width: 8,
              height: 8,
              // Trouble stands on its point: colour alone would not tell it.
              borderRadius: trouble ? 1 : 4,
              transform: trouble ? 'rotate(45deg)' : undefined,
              marginRight: space(2),
              backgroundColor: trouble ? palette.clay : palette.lichen,
            }}
          />
          <Words size="small" tone={trouble ? 'clay' : 'lichen'} bold>
            {name}
          </Words>
        </Link>
      ))}
    </View>
  );
}

/** A name that nobody settled yet: the question stays until it is answered. */
function NoteDoubts({ note }: { note: Note }) {
  const palette = usePalette();
  const students = useRecords((state) => state.current.student);
  const [doubt] = note.doubts;
  if (!doubt) return null;
  const written = note.text.slice(doubt.from, doubt.to);
  const same = (other: Span) => note.text.slice(other.from, other.to).toLowerCase() === written.toLowerCase();
  const answer = (studentId: string | null) => () => {
    const spans = note.doubts.filter(same).map(({ from, to }) => ({ from, to }));
    const rest = note.doubts.filter((other) => !same(other));
    const tied = studentId === null ? [] : [{ studentId, spans, removed: false }];
    makeChange('note.edit', { id: note.id, doubts: rest, students: tied, topics: [] }, notesHistory);
  };
  return (
    <View style={{ gap: space(1) }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
        <CircleHelp size={18} color={palette.ochre} />
        <Words size="small">{`Which ${written.charAt(0).toUpperCase()}${written.slice(1)} is meant?`}</Words>
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        {doubt.candidates.map((id) => {
          const student = students[id];
          return student ? <Action key={id} label={displayName(student)} onPress={answer(id)} /> : null;
        })}
        <Action label="No student" onPress={answer(null)} />
      </View>
    </View>
  );
}
