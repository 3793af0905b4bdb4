import Trash from 'lucide-react-native/icons/trash';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { weeksWords } from '@slate-path/core/calendar/weeksWords';
import { periodName } from '@slate-path/core/calendar/periodName';
import { listOf } from '@slate-path/core/records/records';
import type { Meeting } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { IconAction } from '../../../parts/IconAction';
import { Words } from '../../../parts/Words';
import { space, target } from '../../../theme/tokens';
import { useAccount } from '../../../sync/account';
import { useNow } from '../../../sync/clock';
import { makeChange } from '../../../sync/outbox';
import { TakeBack } from '../../../sync/TakeBack';
import { useSectionNames, useSections } from '../../../sync/sections';
import { useRecords } from '../../../sync/useRecords';
import { weekdayNames } from '@slate-path/core/calendar/weekdays';
import { TakeSomeOut } from './TakeSomeOut';
import { MeetingForm } from './MeetingForm';
import { PeriodsSheet } from './PeriodsSheet';
import { aboutTimetable, ended } from './replaceMeeting';

/** When each class meets in a week. A lesson taken out stays where it was already held. */
export function Timetable() {
  const [open, setOpen] = useState<Meeting | 'new' | null>(null);
  const [editing, setEditing] = useState(false);
  const [naming, setNaming] = useState(false);
  const isKeeper = useAccount((account) => account.isKeeper);
  const now = useNow();
  const current = useRecords((state) => state.current);
  const classes = useSections();
  const names = useSectionNames();
  const meetings = listOf(current, 'meeting')
    .filter((m) => m.validUntil === null || m.validUntil >= now.date)
    .sort((a, b) => (a.startsAt < b.startsAt ? -1 : 1));
  const periods = Object.values(current.school)[0]?.periods;
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        Timetable
      </Words>
      {classes.length === 0 ? (
        <Words tone="inkQuiet">Add a class under People first; then say when it meets.</Words>
      ) : null}
      {weekdayNames.map((name, index) => {
        const onDay = meetings.filter((m) => m.weekday === index + 1);
        if (onDay.length === 0) return null;
        return (
          <View key={name}>
            <Words bold heading={3}>
              {name}
            </Words>
            {onDay.map((meeting) => (
              <View key={meeting.id} style={{ flexDirection: 'row', alignItems: 'center', gap: space(3) }}>
                <Pressable
                  role="button"
                  aria-label={`Change ${name} ${meeting.startsAt}, ${names[meeting.sectionId] ?? ''}`}
                  onPress={() => {
                    setOpen(meeting);
                  }}
                  style={{
                    flex: 1,
                    flexDirection: 'row',
                    alignItems: 'center',
                    gap: space(3),
                    minHeight: target,
                  }}
                >
                  <Words tone="inkQuiet" figures>
                    {`${periodName(periods, meeting)} ${meeting.startsAt}–${meeting.endsAt}`.trim()}
                  </Words>
                  <View style={{ flex: 1 }}>
                    <Words>{names[meeting.sectionId] ?? ''}</Words>
                    {meeting.everyOtherFrom ? (
                      <Words size="small" tone="inkQuiet">
                        {weeksWords(meeting, now.date)}
                      </Words>
                    ) : null}
                  </View>
                </Pressable>
                {editing ? (
                  <IconAction
                    name={`Take out ${name} ${meeting.startsAt}`}
                    icon={Trash}
                    tone="inkQuiet"
                    onPress={() => {
                      const taken = { ended: [ended(current, meeting, now.date)], added: [] };
                      makeChange('meeting.replace', taken, aboutTimetable);
                    }}
                  />
                ) : null}
              </View>
            ))}
          </View>
        );
      })}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        {classes.length > 0 ? (
          <Action
            label="Add a lesson"
            kind={meetings.length === 0 ? 'main' : 'plain'}
            onPress={() => {
              setOpen('new');
            }}
          />
        ) : null}
        {meetings.length > 0 ? <TakeSomeOut of="timetable" editing={editing} onEditing={setEditing} /> : null}
        {isKeeper ? (
          <Action
            label="Periods"
            onPress={() => {
              setNaming(true);
            }}
          />
        ) : null}
        <TakeBack about={aboutTimetable} of="timetable" />
      </View>
      {naming ? (
        <PeriodsSheet
          onClose={() => {
            setNaming(false);
          }}
        />
      ) : null}
      {open ? (
        <MeetingForm
          meeting={open === 'new' ? null : open}
          onClose={() => {
            setOpen(null);
          }}
        />
      ) : null}
    </Card>
  );
}
