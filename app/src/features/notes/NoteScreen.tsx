import Lock from 'lucide-react-native/icons/lock';
import LockOpen from 'lucide-react-native/icons/lock-open';
import Tag from 'lucide-react-native/icons/tag';
import Trash from 'lucide-react-native/icons/trash';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { noteLinks, type Corrections } from '@slate-path/core/notes/links';
import type { NoteReading } from '@slate-path/core/notes/readNote';
import type { NoteVersion } from '@slate-path/core/notes/versions';
import { localMoment } from '@slate-path/core/calendar/zone';
import type { Note } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { longDay, shortDay } from '../../parts/dates';
import { Field } from '../../parts/Field';
import { Page } from '../../parts/Page';
import { useWritten } from '../../parts/useWritten';
import { lazily } from '../../parts/lazily';
import { Words } from '../../parts/Words';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { zoneOf } from '../../sync/clock';
import { makeChange } from '../../sync/outbox';
import { TakeBack } from '../../sync/TakeBack';
import { useSectionName } from '../../sync/sections';
import { useAsking } from '../../sync/useAsking';
import { useRecords } from '../../sync/useRecords';
import { renewViews, useView } from '../../sync/views';
import FollowUpLine from './FollowUpLine';
import { correctionsOf, keepEdit, type Ties } from './edit';
import { unread, useReader } from './useReader';
import { useMoment } from './ties';
import { notesHistory, ofNote } from './write';

const Understood = lazily(() => import('./Understood'));

const notes = { to: '/notes' as const, name: 'All notes' };

/** One note: its words, what was understood, what was promised, and every text it ever had. */
export function NoteScreen() {
  const { noteId } = useLocalSearchParams<{ noteId: string }>();
  const note = useRecords((state) => state.current.note[noteId]);
  const { state, answer } = useView(addressOf('note', { noteId }));
  const asking = useAsking('for this note');
  const concerns = useMemo(() => ofNote(noteId), [noteId]);
  const waiting = useRecords((state) => state.entries.length > 0);
  useEffect(() => {
    // What was changed here has an earlier text now, which only the server has.
    if (!waiting) renewViews();
  }, [waiting, note?.text]);
  if (!note || note.removed)
    return (
      <Page title="Note" back={notes} tools={<TakeBack about={notesHistory} concerns={concerns} />}>
        <Words tone="inkQuiet">{state === 'loading' ? asking : 'This note is not here any more.'}</Words>
      </Page>
    );
  return <OpenNote key={note.id} note={note} versions={answer?.versions ?? []} />;
}

function useTies(noteId: string): Ties {
  const students = useRecords((state) => state.current.noteStudent);
  const topics = useRecords((state) => state.current.noteTopic);
  return useMemo(
    () => ({
      students: Object.values(students).filter((tie) => tie.noteId === noteId),
      topics: Object.values(topics).filter((tie) => tie.noteId === noteId),
    }),
    [students, topics, noteId],
  );
}

function OpenNote({ note, versions }: { note: Note; versions: readonly NoteVersion[] }) {
  const router = useRouter();
  const wide = useWide();
  const moment = useMoment(note);
  const concerns = useMemo(() => ofNote(note.id), [note.id]);
  const section = useSectionName(note.sectionId);
  const place = [section, note.place, note.happenedAt ? `tells of ${note.happenedAt}` : ''].filter(Boolean);
  const tools = (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
      <TakeBack about={notesHistory} concerns={concerns} />
      <Action
        label={note.own ? 'Only mine' : 'May be shown'}
        name={
          note.own
            ? 'Only mine. Let it be shown to a reader'
            : 'May be shown to a reader. Keep it to yourself'
        }
        icon={note.own ? Lock : LockOpen}
        onPress={() => {
          makeChange('note.edit', { id: note.id, own: !note.own, students: [], topics: [] }, notesHistory);
        }}
      />
      <Action
        label="Remove"
        icon={Trash}
        onPress={() => {
          makeChange('note.remove', { id: note.id }, notesHistory);
        }}
      />
    </View>
  );
  return (
    <Page
      title={`${longDay(moment.date)}, ${moment.time}`}
      note={place.join(' · ')}
      back={notes}
      tools={tools}
    >
      <View
        style={{
          flexDirection: wide ? 'row' : 'column',
          gap: space(6),
          alignItems: wide ? 'flex-start' : 'stretch',
        }}
      >
        <View style={{ flex: wide ? 1 : undefined, gap: space(4) }}>
          <NoteEditor note={note} />
          <FollowUpLine noteId={note.id} />
          {note.lessonId ? (
            <View style={{ alignItems: 'flex-start' }}>
              <Action
                label="To the lesson"
                onPress={() => {
                  router.push({ pathname: '/lessons/[lessonId]', params: { lessonId: note.lessonId ?? '' } });
                }}
              />
            </View>
          ) : null}
        </View>
        {versions.length > 1 ? <Versions versions={versions} /> : null}
      </View>
    </Page>
  );
}

/** The words, changed by typing, and what is understood of them; both are saved by themselves. */
function NoteEditor({ note }: { note: Note }) {
  const router = useRouter();
  const ties = useTies(note.id);
  const dueOn = useRecords((state) => state.current.followUp[note.id]?.dueOn ?? null);
  const [selected, setSelected] = useState('');
  const read = useReader(note.sectionId);
  const corrections = useMemo(() => correctionsOf(note, ties, dueOn), [note, ties, dueOn]);
  const linksOf = (text: string, reading: NoteReading, corrected: Partial<Corrections> = {}) => ({
    ...noteLinks(text, reading, { ...corrections, ...corrected }),
    lookAgainOn: null,
  });
  const keep = (text: string, corrected?: Partial<Corrections>) => {
    if (!read || text.trim() === '') return false;
    keepEdit(note, text, linksOf(text, read(text), corrected), ties);
    return true;
  };
  const written = useWritten(`note ${note.id}`, note.text, keep);
  const { text } = written;
  const reading = useMemo(() => read?.(text) ?? unread, [text, read]);
  const word = selected.trim();
  return (
    <View style={{ gap: space(3) }}>
      <Field
        label="Your words"
        value={text}
        multiline
        onChange={written.write}
        onLeave={written.save}
        onSelect={(from, to) => {
          setSelected(text.slice(from, to));
        }}
        error={text.trim() === '' ? 'An empty note is not kept; remove it instead' : undefined}
      />
      {word.length > 2 && word.length <= 60 ? (
        <View style={{ alignItems: 'flex-start' }}>
          <Action
            label={`Make “${word}” a topic`}
            icon={Tag}
            onPress={() => {
              router.push({ pathname: '/topics/[topicId]', params: { topicId: 'new', name: word } });
            }}
          />
        </View>
      ) : null}
      <Understood
        text={text}
        reading={reading}
        links={linksOf(text, reading)}
        corrections={corrections}
        onCorrect={(news) => {
          keep(text, news);
        }}
      />
      {written.changed ? (
        <View style={{ alignItems: 'flex-start' }}>
          <Action label="As it was" onPress={written.giveUp} />
        </View>
      ) : null}
    </View>
  );
}

/** All texts the note ever had; of two devices at once, the overruled one too. */
function Versions({ versions }: { versions: readonly NoteVersion[] }) {
  const zone = useRecords((state) => zoneOf(Object.values(state.current.school)[0]));
  const when = (madeAt: string) => {
    const { date, time } = localMoment(Date.parse(madeAt), zone);
    return `${shortDay(date)}, ${time}`;
  };
  return (
    <View style={{ gap: space(2), flex: 1, maxWidth: 420 }}>
      <Words bold heading={2}>
        Earlier texts
      </Words>
      {versions.slice(1).map(({ changeId, text, madeAt, overruled }) => (
        <Card key={changeId} style={{ gap: space(1), paddingVertical: space(3) }}>
          <Words size="small" tone="inkQuiet" figures>
            {overruled ? `${when(madeAt)}, from another device; a later text stands` : when(madeAt)}
          </Words>
          <Words>{text}</Words>
        </Card>
      ))}
    </View>
  );
}
