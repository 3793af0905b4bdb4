import CalendarPlus from 'lucide-react-native/icons/calendar-plus';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import type { FollowUp } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { longDay } from '../../parts/dates';
import { Empty } from '../../parts/Empty';
import { Words } from '../../parts/Words';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { FileAction } from '../../files/FileAction';
import { useNow } from '../../sync/clock';
import { TakeBack } from '../../sync/TakeBack';
import { useRecords } from '../../sync/useRecords';
import { useView } from '../../sync/views';
import { StepsAgain } from '../watch/StepsAgain';
import { useStepsAgain } from '../watch/useStepsAgain';
import { WatchPage } from '../watch/lazyWatchPage';
import FollowUpLine from './FollowUpLine';
import { openDraft } from './draft';
import NoteCard from './NoteCard';
import { openFollowUps } from './ties';
import { notesHistory } from './write';

/** What was promised, the earliest day first. */
export function AgainScreen() {
  const now = useNow();
  const wide = useWide();
  const open = useRecords((state) => openFollowUps(state.current));
  // Steps come with the watch list.
  useView(addressOf('watch'));
  const steps = useStepsAgain();
  const isEmpty = open.length + steps.due.length + steps.later.length === 0;
  const due = open.filter(({ dueOn }) => dueOn <= now.date);
  const later = open.filter(({ dueOn }) => dueOn > now.date);
  const tools = (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
      <TakeBack about={notesHistory} />
      {isEmpty ? null : (
        <FileAction
          label="Into a calendar"
          name="Into a calendar: an iCalendar file"
          icon={CalendarPlus}
          address="/api/follow-ups/calendar"
        />
      )}
    </View>
  );
  return (
    <WatchPage
      page="Look again"
      note="Notes and steps with a day in them come back on that day"
      tools={tools}
    >
      {isEmpty ? (
        <Empty
          title="Nothing is promised"
          action={<Action label="Write a note" kind="main" onPress={openDraft} />}
        >
          Write “by Friday”, “next lesson” or “in two weeks” in a note, and it stands here, and on the lesson
          of that day.
        </Empty>
      ) : null}
      <View
        style={{
          flexDirection: wide ? 'row' : 'column',
          gap: space(6),
          alignItems: wide ? 'flex-start' : 'stretch',
        }}
      >
        <Group title="For today" entries={due} today={now.date} />
        <Group title="Later" entries={later} today={now.date} />
        <StepsAgain title="Steps for today" steps={steps.due} today={now.date} />
        <StepsAgain title="Steps later" steps={steps.later} today={now.date} />
      </View>
    </WatchPage>
  );
}

function Group({ title, entries, today }: { title: string; entries: readonly FollowUp[]; today: string }) {
  const notes = useRecords((state) => state.current.note);
  if (entries.length === 0) return null;
  return (
    <View style={{ gap: space(3), flex: 1 }}>
      <Words size="large" serif heading={2}>
        {`${title}: ${entries.length}`}
      </Words>
      {entries.map(({ noteId, dueOn }) => {
        const note = notes[noteId];
        if (!note) return null;
        return (
          <View key={noteId} style={{ gap: space(2) }}>
            <Words bold>{dueOn < today ? `${longDay(dueOn)}, not settled yet` : longDay(dueOn)}</Words>
            <NoteCard note={note} tools={<FollowUpLine noteId={noteId} />} />
          </View>
        );
      })}
    </View>
  );
}
