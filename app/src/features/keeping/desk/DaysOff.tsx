import FileUp from 'lucide-react-native/icons/file-up';
import Trash from 'lucide-react-native/icons/trash';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { termOn, wholeDay } from '@slate-path/core/calendar/lessons';
import { readTime } from '@slate-path/core/calendar/readTime';
import { listOf } from '@slate-path/core/records/records';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Card } from '../../../parts/Card';
import { dayMonth } from '../../../parts/dates';
import { DateField } from '../../../parts/DateField';
import { Field } from '../../../parts/Field';
import { IconAction } from '../../../parts/IconAction';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { forgetTyped } from '../../../parts/typed';
import { space } from '../../../theme/tokens';
import { check } from '../../../forms/check';
import { ApiProblem, postFile } from '../../../sync/api';
import { makeChange, newId } from '../../../sync/outbox';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { OnlyKeeper } from '../../../forms/OnlyKeeper';
import { CalendarReading, type FoundDays } from './CalendarReading';
import { readDate } from '../../../forms/readDate';
import { TakeSomeOut } from './TakeSomeOut';
import { useTerms } from './TermDates';

const about = 'days off';
const form = 'day off new';

interface Span {
  startsOn: string;
  endsOn: string;
  offFrom?: string | null;
  offUntil?: string | null;
}

/** "19 Oct to 23 Oct", "4 Dec, from 12:00". */
function spanWords({ startsOn, endsOn, offFrom, offUntil }: Span): string {
  const days = startsOn === endsOn ? dayMonth(startsOn) : `${dayMonth(startsOn)} to ${dayMonth(endsOn)}`;
  const part = [offFrom ? `from ${offFrom}` : '', offUntil ? `until ${offUntil}` : ''].filter(Boolean);
  return [days, part.join(' ')].filter(Boolean).join(', ');
}

type Length = 'whole' | 'part';
const lengths: { value: Length; label: string }[] = [
  { value: 'whole', label: 'All day' },
  { value: 'part', label: 'Part of the day' },
];

function DayOffForm({ onClose }: { onClose: () => void }) {
  const terms = useTerms();
  const [name, setName] = useState('');
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [length, setLength] = useState<Length>('whole');
  const [partFrom, setPartFrom] = useState('');
  const [partUntil, setPartUntil] = useState('');
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [asked, setAsked] = useState(false);
  const accept = async () => {
    if (length === 'part' && !partFrom.trim() && !partUntil.trim()) {
      setErrors({ offFrom: 'From when, or until when, is it off?' });
      return;
    }
    const startsOn = readDate(from);
    const endsOn = to.trim() ? readDate(to) : startsOn;
    const timeOf = (written: string) => {
      const time = readTime(written);
      return time === undefined ? written : time;
    };
    const part = { offFrom: timeOf(partFrom), offUntil: timeOf(partUntil) };
    const read = await check('DayOffToAdd', {
      id: newId(),
      name: name.trim() || 'Day off',
      startsOn,
      endsOn,
      ...(length === 'whole' ? wholeDay : part),
    });
    if (read.errors) {
      setErrors(read.errors);
      return;
    }
    setErrors({});
    if (!asked && !termOn(startsOn, terms) && !termOn(endsOn, terms)) {
      setAsked(true);
      return;
    }
    makeChange('dayOff.add', { days: [read.data] }, about);
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet title="A day off, or several" about={form} onClose={onClose}>
      <Field label="Name" value={name} onChange={setName} placeholder="Harbour day" />
      <DateField
        label="First day"
        value={from}
        onChange={(v) => {
          setAsked(false);
          setFrom(v);
        }}
        error={errors['startsOn']}
        placeholder="2026-10-12"
      />
      <DateField
        label="Last day (empty for one day)"
        value={to}
        onChange={(v) => {
          setAsked(false);
          setTo(v);
        }}
        error={errors['endsOn']}
        onSubmit={() => void accept()}
      />
      <Choice name="How much of it" value={length} options={lengths} onChange={setLength} />
      {length === 'part' ? (
        <>
          <View style={{ flexDirection: 'row', gap: space(3) }}>
            <Field
              label="Off from"
              value={partFrom}
              onChange={setPartFrom}
              error={errors['offFrom']}
              placeholder="12:00"
            />
            <Field
              label="Off until"
              value={partUntil}
              onChange={setPartUntil}
              error={errors['offUntil']}
              placeholder="the end"
            />
          </View>
          <Words size="small" tone="inkQuiet">
            Lessons that begin in that time are not held.
          </Words>
        </>
      ) : null}
      {asked ? (
        <Words bold live>
          This is outside of every term. Is the date right? Add it once more if it is.
        </Words>
      ) : null}
      <Action label={asked ? 'Add it outside the term' : 'Add'} kind="main" onPress={() => void accept()} />
    </Sheet>
  );
}

/** Days on which there are no lessons: typed, a range, or from a calendar file. */
export function DaysOff() {
  const [editing, setEditing] = useState(false);
  const picker = useRef<HTMLInputElement>(null);
  const [adding, setAdding] = useState(false);
  const [found, setFound] = useState<FoundDays | null>(null);
  const [problem, setProblem] = useState<string>();
  const current = useRecords((state) => state.current);
  const days = listOf(current, 'dayOff').sort((a, b) => (a.startsOn < b.startsOn ? -1 : 1));
  const readFile = async (file: File) => {
    setProblem(undefined);
    try {
      setFound(await postFile(addressOf('readDaysOff'), file));
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      setProblem(
        error.status === 0
          ? 'Reading a calendar needs the server, and it does not answer. Try again when it does.'
          : error.detail,
      );
    }
  };
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        Days off
      </Words>
      {days.length === 0 ? (
        <Words tone="inkQuiet">None yet. Type them, or read them from a calendar file (.ics).</Words>
      ) : null}
      {days.map((day) => (
        <View key={day.id} style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
          <View style={{ flex: 1 }}>
            <Words>{day.name}</Words>
            <Words size="small" tone="inkQuiet">
              {spanWords(day)}
            </Words>
          </View>
          {editing ? (
            <IconAction
              name={`Remove ${day.name}`}
              icon={Trash}
              tone="inkQuiet"
              onPress={() => {
                makeChange('dayOff.remove', { id: day.id }, about);
              }}
            />
          ) : null}
        </View>
      ))}
      <input
        ref={picker}
        type="file"
        aria-label="Calendar file"
        accept=".ics,text/calendar"
        data-testid="calendar-file"
        style={{ display: 'none' }}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void readFile(file);
        }}
      />
      {problem ? <Words tone="ember">{problem}</Words> : null}
      <OnlyKeeper>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
          <Action
            label="Add a day off"
            onPress={() => {
              setAdding(true);
            }}
          />
          <Action label="From a calendar" icon={FileUp} onPress={() => picker.current?.click()} />
          {days.length > 0 ? <TakeSomeOut of="days off" editing={editing} onEditing={setEditing} /> : null}
          <TakeBack about={about} of="days off" />
        </View>
      </OnlyKeeper>
      {adding ? (
        <DayOffForm
          onClose={() => {
            setAdding(false);
          }}
        />
      ) : null}
      {found ? (
        <CalendarReading
          found={found}
          spanWords={spanWords}
          onClose={() => {
            setFound(null);
          }}
          onAccept={(accepted) => {
            makeChange(
              'dayOff.add',
              { days: accepted.map((day) => ({ id: newId(), ...wholeDay, ...day })) },
              about,
            );
            setFound(null);
          }}
        />
      ) : null}
    </Card>
  );
}
