import Trash from 'lucide-react-native/icons/trash';
import { useState } from 'react';
import { View } from 'react-native';
import { addDays } from '@slate-path/core/calendar/localTime';
import { listOf } from '@slate-path/core/records/records';
import type { Meeting } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { Field } from '../../../parts/Field';
import { IconAction } from '../../../parts/IconAction';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { forgetTyped } from '../../../parts/typed';
import { space } from '../../../theme/tokens';
import { readTime } from '../../../forms/readTime';
import { check } from '../../../forms/check';
import { useNow } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { TakeBack } from '../../../sync/TakeBack';
import { useSectionNames, useSections } from '../../../sync/sections';
import { useRecords } from '../../../sync/useRecords';
import { weekdayNames } from '../../../forms/weekdays';

const weekdayOptions = weekdayNames.map((name, index) => ({
  value: String(index + 1),
  label: name.slice(0, 3),
}));
type Since = 'term' | 'today';
const sinceOptions: { value: Since; label: string }[] = [
  { value: 'term', label: 'The start of term' },
  { value: 'today', label: 'Today' },
];
const about = 'timetable';

const form = 'meeting new';

function MeetingForm({ onClose }: { onClose: () => void }) {
  const now = useNow();
  const current = useRecords((state) => state.current);
  const sections = useSections();
  const terms = listOf(current, 'term');
  const [sectionId, setSectionId] = useState(sections[0]?.id ?? '');
  const [weekday, setWeekday] = useState('1');
  const [startsAt, setStartsAt] = useState('');
  const [endsAt, setEndsAt] = useState('');
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [chosen, setChosen] = useState<Since | null>(null);
  const begun = terms.some((term) => term.startsOn < now.date && now.date <= term.endsOn);
  // A timetable being entered holds from the start of term on; one in use goes on from today.
  const inUse = Object.values(current.lesson).some(
    (lesson) => lesson.sectionId === sectionId && lesson.takenAt !== null && lesson.date < now.date,
  );
  const since = chosen ?? (inUse ? 'today' : 'term');
  const accept = async () => {
    const read = await check('MeetingToAdd', {
      id: newId(),
      sectionId,
      weekday: Number(weekday),
      startsAt: readTime(startsAt) ?? '',
      endsAt: readTime(endsAt) ?? '',
      validFrom: begun && since === 'today' ? now.date : null,
      validUntil: null,
    });
    if (read.errors) {
      setErrors(read.errors);
      return;
    }
    const other = listOf(current, 'meeting').find(
      (meeting) =>
        meeting.sectionId === sectionId &&
        meeting.weekday === Number(weekday) &&
        (meeting.validUntil === null || meeting.validUntil >= now.date) &&
        meeting.startsAt < read.data.endsAt &&
        read.data.startsAt < meeting.endsAt,
    );
    if (other) {
      setErrors({ startsAt: `The class has a lesson from ${other.startsAt} to ${other.endsAt} then` });
      return;
    }
    makeChange('meeting.add', read.data, about);
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet title="A weekly lesson" about={form} onClose={onClose}>
      <Words size="small" tone="inkQuiet">
        Class
      </Words>
      <Choice
        name="Class"
        value={sectionId}
        options={sections.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={setSectionId}
      />
      <Words size="small" tone="inkQuiet">
        Day
      </Words>
      <Choice name="Day" value={weekday} options={weekdayOptions} onChange={setWeekday} />
      <View style={{ flexDirection: 'row', gap: space(3) }}>
        <Field
          label="From"
          value={startsAt}
          onChange={setStartsAt}
          error={errors['startsAt']}
          placeholder="10:40"
        />
        <Field
          label="To"
          value={endsAt}
          onChange={setEndsAt}
          error={errors['endsAt']}
          placeholder="11:30"
          onSubmit={() => void accept()}
        />
      </View>
      {begun ? (
        <>
          <Words size="small" tone="inkQuiet">
            Held since
          </Words>
          <Choice name="Held since" value={since} options={sinceOptions} onChange={setChosen} />
        </>
      ) : null}
      <Action label="Add the lesson" kind="main" onPress={() => void accept()} />
    </Sheet>
  );
}

/** When each class meets in a week. A lesson taken out stays where it was already held. */
export function Timetable() {
  const [adding, setAdding] = useState(false);
  const now = useNow();
  const current = useRecords((state) => state.current);
  const classes = useSections();
  const names = useSectionNames();
  const meetings = listOf(current, 'meeting')
    .filter((m) => m.validUntil === null || m.validUntil >= now.date)
    .sort((a, b) => (a.startsAt < b.startsAt ? -1 : 1));
  const end = (meeting: Meeting) => {
    const held = Object.values(current.lesson).some((l) => l.id.startsWith(meeting.id) && l.takenAt !== null);
    if (held) makeChange('meeting.end', { id: meeting.id, validUntil: addDays(now.date, -1) }, about);
    else makeChange('meeting.remove', { id: meeting.id }, about);
  };
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
                <Words tone="inkQuiet" figures>
                  {`${meeting.startsAt}–${meeting.endsAt}`}
                </Words>
                <View style={{ flex: 1 }}>
                  <Words>{names[meeting.sectionId] ?? ''}</Words>
                </View>
                <IconAction
                  name={`Take out ${name} ${meeting.startsAt}`}
                  icon={Trash}
                  tone="inkQuiet"
                  onPress={() => {
                    end(meeting);
                  }}
                />
              </View>
            ))}
          </View>
        );
      })}
      <View style={{ flexDirection: 'row', gap: space(2) }}>
        {classes.length > 0 ? (
          <Action
            label="Add a lesson"
            kind={meetings.length === 0 ? 'main' : 'outlined'}
            onPress={() => {
              setAdding(true);
            }}
          />
        ) : null}
        <TakeBack about={about} />
      </View>
      {adding ? (
        <MeetingForm
          onClose={() => {
            setAdding(false);
          }}
        />
      ) : null}
    </Card>
  );
}
