import CalendarClock from 'lucide-react-native/icons/calendar-clock';
import Check from 'lucide-react-native/icons/check';
import { useState } from 'react';
import { View } from 'react-native';
import type { FollowUp } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { shortDay } from '../../parts/dates';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { makeChange } from '../../sync/outbox';
import { useNow } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import { DatePanel } from './DatePanel';
import { notesHistory } from './write';

/** Decides when a note comes up again, or that it is settled. */
function setFollowUp(noteId: string, values: Pick<FollowUp, 'dueOn' | 'outcome'>): void {
  makeChange('followUp.set', { id: noteId, ...values }, notesHistory);
}

/** When it comes up again: done, moved, dropped; or a day for one that has none. */
export default function FollowUpLine({ noteId }: { noteId: string }) {
  const palette = usePalette();
  const now = useNow();
  const [moving, setMoving] = useState(false);
  const found = useRecords((state) => state.current.followUp[noteId]);
  const followUp = found && !found.removed ? found : null;
  const open = followUp?.outcome === 'open';
  const move = (dueOn: string | null | undefined) => {
    if (dueOn) setFollowUp(noteId, { dueOn, outcome: 'open' });
    else if (followUp) setFollowUp(noteId, { dueOn: followUp.dueOn, outcome: 'dropped' });
    setMoving(false);
  };
  const words = () => {
    if (!followUp) return 'No day to look again.';
    if (followUp.outcome !== 'open')
      return `${followUp.outcome === 'done' ? 'Done' : 'Dropped'}; it was for ${shortDay(followUp.dueOn)}.`;
    const late = followUp.dueOn < now.date ? ', and it is not settled yet' : '';
    return `Look again on ${shortDay(followUp.dueOn)}${late}.`;
  };
  return (
    <View style={{ gap: space(2) }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
        <CalendarClock size={18} color={palette.ochre} />
        <Words>{words()}</Words>
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        {open ? (
          <Action
            label="Done"
            icon={Check}
            onPress={() => {
              setFollowUp(noteId, { dueOn: followUp.dueOn, outcome: 'done' });
            }}
          />
        ) : null}
        <Action
          label={open ? 'Another day' : 'Choose a day'}
          onPress={() => {
            setMoving(!moving);
          }}
        />
        {open ? (
          <Action
            label="Drop"
            onPress={() => {
              setFollowUp(noteId, { dueOn: followUp.dueOn, outcome: 'dropped' });
            }}
          />
        ) : null}
      </View>
      {moving ? (
        <DatePanel
          date={open ? followUp.dueOn : null}
          onCorrect={({ lookAgainOn }) => {
            move(lookAgainOn);
          }}
        />
      ) : null}
    </View>
  );
}
