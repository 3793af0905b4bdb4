import Clock from 'lucide-react-native/icons/clock';
import Lock from 'lucide-react-native/icons/lock';
import LockOpen from 'lucide-react-native/icons/lock-open';
import SendHorizontal from 'lucide-react-native/icons/send-horizontal';
import X from 'lucide-react-native/icons/x';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { happenedAt } from '@slate-path/core/notes/findTimes';
import { noteLinks, type NoteLinks } from '@slate-path/core/notes/links';
import { shortName } from '@slate-path/core/people/names';
import { Chip } from '../../parts/Chip';
import { dayMonth } from '../../parts/dates';
import { IconAction } from '../../parts/IconAction';
import { lazily } from '../../parts/lazily';
import { Words } from '../../parts/Words';
import { usePalette, useWide } from '../../theme/theme';
import { radius, space } from '../../theme/tokens';
import { PhraseButton } from '../phrases/PhraseButton';
import { useNow } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import { clearDraft, closeDraft, correctDraft, useDraft, writeDraft } from './draft';
import { NoteField } from './NoteField';
import { useNotePlace, useRoom, type NotePlace } from './place';
import { unread, useReader } from './useReader';
import { keepNote } from './write';

const Understood = lazily(() => import('./Understood'));

const longNote = 1500;

/** What was kept, in words: about whom, and when it comes up again. */
function keptWords(links: NoteLinks): string {
  const { student, topic } = useRecords.getState().current;
  const names = links.students.flatMap(({ studentId }) =>
    student[studentId] ? [shortName(student[studentId])] : [],
  );
  const topics = links.topics.flatMap(({ topicId }) => topic[topicId]?.name ?? []);
  const about = names.length > 0 ? `Noted about ${names.join(', ')}` : 'Noted';
  const again = links.lookAgainOn ? [`again on ${dayMonth(links.lookAgainOn)}`] : [];
  return [about, ...topics, ...again].join(' · ');
}

function placeWords({ lesson, sectionId }: NotePlace, name: string): string {
  if (lesson) return `${name}, ${dayMonth(lesson.date)} ${lesson.startsAt}`;
  return sectionId ? name : '';
}

/** Words are only added to what a page says by itself: on a student's page it is about that student. */
function usePlaced(place: NotePlace) {
  const corrections = useDraft((draft) => draft.corrections);
  const { studentId } = place;
  return useMemo(
    () =>
      studentId === null
        ? corrections
        : { ...corrections, moreStudents: new Set([...corrections.moreStudents, studentId]) },
    [corrections, studentId],
  );
}

/** One line for a note, below the page: typed, understood, sent. */
export default function NoteComposer() {
  const palette = usePalette();
  const wide = useWide();
  const now = useNow();
  const text = useDraft((draft) => draft.text);
  const own = useDraft((draft) => draft.own);
  const [noTime, setNoTime] = useState(false);
  // Sent before anything could be read: it goes as soon as it is.
  const [sent, setSent] = useState(false);
  const place = useNotePlace();
  const corrections = usePlaced(place);
  const read = useReader(place.sectionId);
  const room = useRoom(place.sectionId);
  const name = useRecords((state) =>
    place.sectionId ? (state.current.section[place.sectionId]?.name ?? '') : '',
  );
  // A long one (pasted, as a rule) is read behind the keys, not before them.
  const late = useDeferredValue(text);
  const asked = text.length > longNote ? late : text;
  const reading = useMemo(() => read?.(asked) ?? unread, [asked, read]);
  const links = useMemo(() => noteLinks(asked, reading, corrections), [asked, reading, corrections]);
  const time = noTime ? null : happenedAt(reading.times, now.time);
  const empty = text.trim() === '';
  const send = () => {
    if (empty) return;
    if (!read) {
      setSent(true);
      return;
    }
    const { lesson, sectionId } = place;
    const whole = asked === text ? links : noteLinks(text, read(text), corrections);
    const noteId = keepNote({ text, links: whole, happenedAt: time, lesson, sectionId, place: room, own });
    clearDraft({ noteId, words: keptWords(whole) });
  };
  useEffect(() => {
    if (sent && read) send();
  });
  return (
    <View
      role="form"
      aria-label="A note"
      style={{
        backgroundColor: palette.surface,
        borderTopWidth: 2,
        borderColor: palette.slate,
        maxHeight: '70%',
      }}
    >
      <ScrollView
        keyboardShouldPersistTaps="handled"
        contentContainerStyle={{
          padding: space(3),
          gap: space(2),
          paddingHorizontal: wide ? space(8) : space(3),
        }}
      >
        <View style={{ flexDirection: 'row', alignItems: 'flex-end', gap: space(1) }}>
          <NoteField
            value={text}
            onChange={(typed) => {
              setSent(false);
              writeDraft(typed);
            }}
            onSend={send}
            onLeave={closeDraft}
            placeholder="Who, what, until when"
          />
          <View style={{ backgroundColor: empty ? undefined : palette.slate, borderRadius: radius.control }}>
            <IconAction
              name="Keep the note"
              icon={SendHorizontal}
              tone={empty ? 'inkQuiet' : 'onSlate'}
              disabled={empty}
              onPress={send}
            />
          </View>
          <PhraseButton about={place} text={text} onChange={writeDraft} />
          <IconAction name="Close; what is typed stays" icon={X} onPress={closeDraft} />
        </View>
        {sent ? (
          <Words size="small" live>
            Your words are safe here; they go as soon as the names in them can be read.
          </Words>
        ) : empty ? (
          <Words size="small" tone="inkQuiet">
            {['Just type, or dictate. Names, topics and days are read as you go.', placeWords(place, name)]
              .filter(Boolean)
              .join(' ')}
          </Words>
        ) : (
          <>
            <Understood
              text={asked}
              reading={reading}
              links={links}
              corrections={corrections}
              onCorrect={correctDraft}
              more={
                <>
                  {time ? (
                    <Chip
                      icon={Clock}
                      tone="inkQuiet"
                      label={`at ${time}`}
                      name={`It tells of ${time}; tap to leave that out`}
                      onPress={() => {
                        setNoTime(true);
                      }}
                    />
                  ) : null}
                  <Chip
                    icon={own ? Lock : LockOpen}
                    tone={own ? 'plum' : 'inkQuiet'}
                    label={own ? 'Only mine' : 'May be shown'}
                    name={
                      own
                        ? 'Only mine: in no export for another reader. Tap to change'
                        : 'May be shown to a reader. Tap to keep it to yourself'
                    }
                    onPress={() => {
                      useDraft.setState({ own: !own });
                    }}
                  />
                </>
              }
            />
            <Words size="small" tone="inkQuiet">
              {placeWords(place, name)}
            </Words>
          </>
        )}
      </ScrollView>
    </View>
  );
}
