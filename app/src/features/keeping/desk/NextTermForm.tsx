import { useState } from 'react';
import { View } from 'react-native';
import { addDays } from '@slate-path/core/calendar/localTime';
import { nextTerm } from '@slate-path/core/calendar/nextTerm';
import { listOf } from '@slate-path/core/records/records';
import type { Term } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { DateField } from '../../../parts/DateField';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { forgetTyped } from '../../../parts/typed';
import { check } from '../../../forms/check';
import { makeChange, newId } from '../../../sync/outbox';
import { useSections } from '../../../sync/sections';
import { useRecords } from '../../../sync/useRecords';
import { readDate } from '../../../forms/readDate';

const whom = [
  { value: 'empty', label: 'Without their students' },
  { value: 'students', label: 'With their students' },
] as const;

/** Another year from this one's set-up: classes, times, rules and, if wanted, students. */
export function NextTermForm({ last, onClose }: { last: Term; onClose: () => void }) {
  const current = useRecords((state) => state.current);
  const used = new Set(
    listOf(current, 'meeting')
      .filter((m) => !m.validUntil || m.validUntil >= last.endsOn)
      .map((m) => m.sectionId),
  );
  const sections = useSections().filter(({ id }) => used.has(id));
  const [name, setName] = useState('');
  const [startsOn, setStartsOn] = useState(addDays(last.endsOn, 1));
  const [endsOn, setEndsOn] = useState('');
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [people, setPeople] = useState<'empty' | 'students'>('empty');
  const [errors, setErrors] = useState<Record<string, string>>({});
  const form = `term after ${last.id}`;
  const accept = async () => {
    const fields = { id: newId(), name, startsOn: readDate(startsOn), endsOn: readDate(endsOn) };
    const read = await check('TermToSet', fields);
    const early = read.data && read.data.startsOn <= last.endsOn;
    if (!read.data || early) {
      setErrors(early ? { startsOn: `${last.name} runs to ${last.endsOn}` } : (read.errors ?? {}));
      return;
    }
    const sectionIds = sections.map(({ id }) => id).filter((id) => !left.has(id));
    const wanted = { term: read.data, sectionIds, withStudents: people === 'students', lastDay: last.endsOn };
    makeChange('term.next', nextTerm(wanted, current, newId), 'desk');
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet
      title={`After ${last.name}`}
      note="The classes begin anew with the same names, times, rules, look-fors and room plans. The old ones stay as they are, with all their marks."
      about={form}
      onClose={onClose}
    >
      <Field label="Name" value={name} onChange={setName} error={errors['name']} placeholder="Spring" />
      <DateField label="First day" value={startsOn} onChange={setStartsOn} error={errors['startsOn']} />
      <DateField
        label="Last day"
        value={endsOn}
        onChange={setEndsOn}
        error={errors['endsOn']}
        placeholder="2027-03-26"
      />
      <Words size="small" tone="inkQuiet">
        Classes that go on
      </Words>
      <View>
        {sections.map((section) => (
          <TickRow
            key={section.id}
            name={section.name}
            ticked={!left.has(section.id)}
            onChange={(ticked) => {
              const next = new Set(left);
              if (ticked) next.delete(section.id);
              else next.add(section.id);
              setLeft(next);
            }}
          >
            <Words>{section.name}</Words>
          </TickRow>
        ))}
      </View>
      <Choice name="Students" value={people} options={whom} onChange={setPeople} />
      <Action label="Begin it" kind="main" onPress={() => void accept()} />
    </Sheet>
  );
}
