import { useState } from 'react';
import { View } from 'react-native';
import { isDate } from '@slate-path/core/calendar/isDate';
import { isWholeDay, lessonsAtOnce, offAt, termOn } from '@slate-path/core/calendar/lessons';
import { listOf } from '@slate-path/core/records/records';
import { Action } from '../../../parts/Action';
import { DateField } from '../../../parts/DateField';
import { Field } from '../../../parts/Field';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { readDate } from '../../../forms/readDate';
import { useRecords } from '../../../sync/useRecords';
import { allLessons } from './lessons';
import { readTime } from '@slate-path/core/calendar/readTime';

export interface When {
  date: string;
  startsAt: string;
  endsAt: string;
}

interface WhenFormProps {
  when: When;
  /** The class that is to have a lesson then. */
  sectionId: string;
  /** The lesson that is moved. */
  moved?: string;
  label: string;
  onAccept: (when: When) => void;
}

/**
 * A day and the times of a lesson. A day outside of every term, or off, is asked about once; a class that has a lesson
 * at that time cannot have another.
 */
export function WhenForm({ when, sectionId, moved, label, onAccept }: WhenFormProps) {
  const current = useRecords((state) => state.current);
  const [date, setDate] = useState(when.date);
  const [startsAt, setStartsAt] = useState(when.startsAt);
  const [endsAt, setEndsAt] = useState(when.endsAt);
  const [errors, setErrors] = useState<{ date?: string; startsAt?: string; endsAt?: string }>({});
  const [asked, setAsked] = useState('');
  const doubtOf = (day: string, time: string): string => {
    const off = offAt(day, time, listOf(current, 'dayOff'));
    if (off) return `${isWholeDay(off) ? 'This is a day off' : 'This part of the day is off'} (${off.name}).`;
    return termOn(day, listOf(current, 'term')) ? '' : 'This day is outside of every term.';
  };
  const accept = () => {
    const day = readDate(date);
    const [start, end] = [readTime(startsAt), readTime(endsAt)];
    const found = {
      ...(isDate(day) ? {} : { date: 'A date looks like 2026-11-23' }),
      ...(start ? {} : { startsAt: 'A time looks like 10:40' }),
      ...(end
        ? start && start >= end
          ? { endsAt: 'It ends before it begins' }
          : {}
        : { endsAt: 'A time looks like 11:30' }),
    };
    setErrors(found);
    if (Object.keys(found).length > 0 || !start || !end) return;
    const other = lessonsAtOnce(allLessons(current), sectionId, {
      date: day,
      startsAt: start,
      endsAt: end,
    }).find(({ id }) => id !== moved);
    if (other) {
      setErrors({ startsAt: `The class has a lesson from ${other.startsAt} to ${other.endsAt} that day` });
      return;
    }
    const doubt = doubtOf(day, start);
    if (doubt && asked !== day) setAsked(day);
    else onAccept({ date: day, startsAt: start, endsAt: end });
  };
  const doubt = asked ? doubtOf(asked, readTime(startsAt) ?? '00:00') : '';
  return (
    <>
      <DateField label="Day" value={date} onChange={setDate} error={errors.date} />
      <View style={{ flexDirection: 'row', gap: space(3) }}>
        <Field label="From" value={startsAt} onChange={setStartsAt} width={130} error={errors.startsAt} />
        <Field
          label="To"
          value={endsAt}
          onChange={setEndsAt}
          width={130}
          error={errors.endsAt}
          onSubmit={accept}
        />
      </View>
      {doubt ? <Words bold live>{`${doubt} Is the date right? Press once more if it is.`}</Words> : null}
      <Action label={doubt ? `${label} all the same` : label} kind="main" onPress={accept} />
    </>
  );
}
