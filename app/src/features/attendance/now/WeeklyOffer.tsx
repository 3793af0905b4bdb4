import { useState } from 'react';
import { View } from 'react-native';
import { proposalWords, proposeTimetable } from '@slate-path/core/calendar/proposeTimetable';
import { Action } from '../../../parts/Action';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { useNow } from '../../../sync/clock';
import { keptChoice } from '../../../sync/keptChoice';
import { useRecords } from '../../../sync/useRecords';
import { WeeklySheet } from './WeeklySheet';

interface WeeklyOfferProps {
  sectionId: string;
}

/** After some rolls without a timetable: is it every week? Said no, it is not asked again on this device. */
export default function WeeklyOffer({ sectionId }: WeeklyOfferProps) {
  const palette = usePalette();
  const now = useNow();
  const [answer] = useState(() => keptChoice<'ask' | 'no'>(`slate-weekly-${sectionId}`, ['ask', 'no']));
  const asks = answer.use() === 'ask';
  const lessons = useRecords(({ current }) => current.lesson);
  const meetings = useRecords(({ current }) => current.meeting);
  const [open, setOpen] = useState(false);
  const proposed = proposeTimetable(Object.values(lessons), Object.values(meetings), sectionId, now.date);
  if (!asks || proposed.length === 0) return null;
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        flexWrap: 'wrap',
        columnGap: space(2),
        paddingHorizontal: space(4),
        backgroundColor: palette.slateWash,
      }}
    >
      <View style={{ flex: 1, minWidth: 180, paddingVertical: space(1) }}>
        <Words lines={2}>{`You took this class on ${proposalWords(proposed)}: weekly?`}</Words>
      </View>
      <Action
        label="Yes, weekly"
        onPress={() => {
          setOpen(true);
        }}
      />
      <Action
        label="No"
        name="No, not weekly"
        onPress={() => {
          answer.choose('no');
        }}
      />
      {open ? (
        <WeeklySheet
          sectionId={sectionId}
          proposed={proposed}
          onClose={() => {
            setOpen(false);
          }}
        />
      ) : null}
    </View>
  );
}
