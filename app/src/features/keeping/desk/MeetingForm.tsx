import { useState } from 'react';
import { View } from 'react-native';
import { meetsInWeekOf } from '@slate-path/core/calendar/everyOther';
import { meetAtOnce } from '@slate-path/core/calendar/meetAtOnce';
import { termOn } from '@slate-path/core/calendar/lessons';
import { addDays, mondayOf } from '@slate-path/core/calendar/localTime';
import { periodName } from '@slate-path/core/calendar/periodName';
import { listOf } from '@slate-path/core/records/records';
import type { Meeting } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Field } from '../../../parts/Field';
import { SeveralOf } from '../../../parts/SeveralOf';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { forgetTyped } from '../../../parts/typed';
import { space } from '../../../theme/tokens';
import { check } from '../../../forms/check';
import { readTime } from '@slate-path/core/calendar/readTime';
import { weekdayNames } from '@slate-path/core/calendar/weekdays';
import { useNow } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { useSections } from '../../../sync/sections';
import { useRecords } from '../../../sync/useRecords';
import { aboutTimetable, changesOn, replaced } from './replaceMeeting';

const weekdayOptions = weekdayNames.map((name, index) => ({
  value: String(index + 1),
  label: name.slice(0, 3),
}));
type Since = 'term' | 'today';
const sinceOptions: { value: Since; label: string }[] = [
  { value: 'term', label: 'The start of term' },
  { value: 'today', label: 'Today' },
];

type Weeks = 'every' | 'other';
type First = 'one' | 'two';
const weekOptions: { value: Weeks; label: string }[] = [
  { value: 'every', label: 'Every week' },
  { value: 'other', label: 'Every other week' },
];

interface MeetingFormProps {
  /** One that is changed; null for new ones. */
  meeting: Meeting | null;
  onClose: () => void;
}

/** In which weeks: seen from this one, or before a term from its first. */
function useWeeks(meeting: Meeting | null) {
  const { date } = useNow();
  const terms = useRecords(({ current }) => current.term);
  const listed = Object.values(terms).filter(({ removed }) => !removed);
  const first = listed
    .map(({ startsOn }) => startsOn)
    .filter((startsOn) => startsOn > date)
    .toSorted()[0];
  const anchor = first === undefined || termOn(date, listed) ? date : first;
  const [one, two] =
    anchor === date ? ['From this week', 'From next week'] : ['From the first', 'From the second'];
  const firstOptions: { value: First; label: string }[] = [
    { value: 'one', label: one },
    { value: 'two', label: two },
  ];
  const [weeks, setWeeks] = useState<Weeks>(meeting?.everyOtherFrom ? 'other' : 'every');
  const [firstWeek, setFirstWeek] = useState<First>(
    meeting && !meetsInWeekOf(meeting, anchor) ? 'two' : 'one',
  );
  const monday = addDays(mondayOf(anchor), firstWeek === 'one' ? 0 : 7);
  const everyOtherFrom = weeks === 'every' ? null : monday;
  return { weeks, setWeeks, firstWeek, setFirstWeek, firstOptions, everyOtherFrom };
}

/** When a class meets: one time on one day of the week or several. */
export function MeetingForm({ meeting, onClose }: MeetingFormProps) {
  const now = useNow();
  const current = useRecords((state) => state.current);
  const periods = Object.values(current.school)[0]?.periods ?? [];
  const sections = useSections();
  const terms = listOf(current, 'term');
  const [sectionId, setSectionId] = useState(meeting?.sectionId ?? sections[0]?.id ?? '');
  const [weekdays, setWeekdays] = useState<ReadonlySet<string>>(new Set([String(meeting?.weekday ?? 1)]));
  const [startsAt, setStartsAt] = useState(meeting?.startsAt ?? '');
  const [endsAt, setEndsAt] = useState(meeting?.endsAt ?? '');
  const { weeks, setWeeks, firstWeek, setFirstWeek, firstOptions, everyOtherFrom } = useWeeks(meeting);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [chosen, setChosen] = useState<Since | null>(null);
  const form = `meeting ${meeting?.id ?? 'new'}`;
  const begun = terms.some((term) => term.startsOn < now.date && now.date <= term.endsOn);
  // A timetable entered in the first week holds from the start of term on; later, or in use, it goes on from today.
  const isLate = terms.some((term) => term.startsOn < addDays(now.date, -7) && now.date <= term.endsOn);
  const inUse = Object.values(current.lesson).some(
    (lesson) => lesson.sectionId === sectionId && lesson.takenAt !== null && lesson.date < now.date,
  );
  // What was held stays; if today's roll is taken already, the new time begins tomorrow.
  const changed = meeting ? changesOn(current, meeting, now.date) : null;
  const since = chosen ?? (inUse || isLate ? 'today' : 'term');
  const times = { startsAt: readTime(startsAt) ?? '', endsAt: readTime(endsAt) ?? '' };
  const days = [...weekdays].toSorted();
  const accept = async () => {
    const validFrom = meeting ? meeting.validFrom : begun && since === 'today' ? now.date : null;
    const valid = { validFrom, validUntil: meeting?.validUntil ?? null };
    const added: Omit<Meeting, 'removed'>[] = [];
    for (const weekday of days) {
      const read = await check('MeetingToAdd', {
        ...{ id: newId(), sectionId, weekday: Number(weekday), ...times, ...valid, everyOtherFrom },
      });
      if (read.errors) {
        setErrors(read.errors);
        return;
      }
      added.push(read.data);
    }
    const other = listOf(current, 'meeting').find(
      (known) =>
        known.id !== meeting?.id &&
        known.sectionId === sectionId &&
        (known.validUntil === null || known.validUntil >= now.date) &&
        added.some((one) => meetAtOnce(known, one)),
    );
    if (other) {
      const day = weekdayNames[other.weekday - 1] ?? '';
      setErrors({ startsAt: `On ${day} the class has a lesson from ${other.startsAt} to ${other.endsAt}` });
      return;
    }
    const change = meeting ? replaced(current, meeting, added, now.date) : { ended: [], added };
    makeChange('meeting.replace', change, aboutTimetable);
    forgetTyped(form);
    onClose();
  };
  const label = meeting
    ? 'Change the time'
    : days.length > 1
      ? `Add ${days.length} lessons`
      : 'Add the lesson';
  return (
    <Sheet
      title={meeting ? 'Change a weekly lesson' : 'A weekly lesson'}
      note={
        changed === null
          ? undefined
          : `What was held stays as it was; this is from ${changed > now.date ? 'tomorrow' : 'today'} on.`
      }
      about={form}
      onClose={onClose}
    >
      {meeting ? null : (
        <>
          <Words size="small" tone="inkQuiet">
            Class
          </Words>
          <Choice
            name="Class"
            value={sectionId}
            options={sections.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={setSectionId}
          />
        </>
      )}
      <Words size="small" tone="inkQuiet">
        {meeting ? 'Day' : 'Days'}
      </Words>
      <SeveralOf name="Days" values={weekdays} options={weekdayOptions} onChange={setWeekdays} />
      {periods.length > 0 ? (
        <>
          <Words size="small" tone="inkQuiet">
            Period
          </Words>
          <Choice
            name="Period"
            value={periodName(periods, times)}
            options={periods.map(({ name }) => ({ value: name, label: name }))}
            onChange={(name) => {
              const period = periods.find((one) => one.name === name);
              setStartsAt(period?.startsAt ?? '');
              setEndsAt(period?.endsAt ?? '');
            }}
          />
        </>
      ) : null}
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
      <Words size="small" tone="inkQuiet">
        Weeks
      </Words>
      <Choice name="Weeks" value={weeks} options={weekOptions} onChange={setWeeks} />
      {weeks === 'other' ? (
        <Choice name="Its first week" value={firstWeek} options={firstOptions} onChange={setFirstWeek} />
      ) : null}
      {begun && !meeting ? (
        <>
          <Words size="small" tone="inkQuiet">
            Held since
          </Words>
          <Choice name="Held since" value={since} options={sinceOptions} onChange={setChosen} />
        </>
      ) : null}
      <Action label={label} kind="main" disabled={days.length === 0} onPress={() => void accept()} />
    </Sheet>
  );
}
