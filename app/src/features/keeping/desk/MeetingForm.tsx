import { useState } from 'react';
import { View } from 'react-native';
import { addDays } from '@slate-path/core/calendar/localTime';
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
import { wasHeldIn } from './heldMeeting';

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

interface MeetingFormProps {
  /** One that is changed; null for new ones. */
  meeting: Meeting | null;
  onClose: () => void;
}

/** When a class meets: one time on one day of the week or several. */
export function MeetingForm({ meeting, onClose }: MeetingFormProps) {
  const now = useNow();
  const current = useRecords((state) => state.current);
  const sections = useSections();
  const terms = listOf(current, 'term');
  const [sectionId, setSectionId] = useState(meeting?.sectionId ?? sections[0]?.id ?? '');
  const [weekdays, setWeekdays] = useState<ReadonlySet<string>>(new Set([String(meeting?.weekday ?? 1)]));
  const [startsAt, setStartsAt] = useState(meeting?.startsAt ?? '');
  const [endsAt, setEndsAt] = useState(meeting?.endsAt ?? '');
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [chosen, setChosen] = useState<Since | null>(null);
  const form = `meeting ${meeting?.id ?? 'new'}`;
  const begun = terms.some((term) => term.startsOn < now.date && now.date <= term.endsOn);
  // A timetable being entered holds from the start of term on; one in use goes on from today.
  const inUse = Object.values(current.lesson).some(
    (lesson) => lesson.sectionId === sectionId && lesson.takenAt !== null && lesson.date < now.date,
  );
  const held = meeting !== null && wasHeldIn(current, meeting);
  // What was held stays; if today's roll is taken already, the new time begins tomorrow.
  const heldToday = meeting !== null && wasHeldIn(current, meeting, now.date);
  const changesOn = heldToday ? addDays(now.date, 1) : now.date;
  const since = chosen ?? (inUse ? 'today' : 'term');
  const validFrom = meeting
    ? held
      ? changesOn
      : meeting.validFrom
    : begun && since === 'today'
      ? now.date
      : null;
  const days = [...weekdays].toSorted();
  const accept = async () => {
    const times = { startsAt: readTime(startsAt) ?? '', endsAt: readTime(endsAt) ?? '' };
    const valid = { validFrom, validUntil: meeting?.validUntil ?? null };
    const added = [];
    for (const weekday of days) {
      const read = await check('MeetingToAdd', {
        ...{ id: newId(), sectionId, weekday: Number(weekday), ...times, ...valid },
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
        weekdays.has(String(known.weekday)) &&
        (known.validUntil === null || known.validUntil >= now.date) &&
        known.startsAt < times.endsAt &&
        times.startsAt < known.endsAt,
    );
    if (other) {
      const day = weekdayNames[other.weekday - 1] ?? '';
      setErrors({ startsAt: `On ${day} the class has a lesson from ${other.startsAt} to ${other.endsAt}` });
      return;
    }
    if (held) makeChange('meeting.end', { id: meeting.id, validUntil: addDays(changesOn, -1) }, about);
    else if (meeting) makeChange('meeting.remove', { id: meeting.id }, about);
    for (const one of added) makeChange('meeting.add', one, about);
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
        held
          ? `What was held stays as it was; this is from ${heldToday ? 'tomorrow' : 'today'} on.`
          : undefined
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
