import { useState } from 'react';
import { isDate } from '@slate-path/core/calendar/isDate';
import { addDays } from '@slate-path/core/calendar/localTime';
import type { Enrolment } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { DateField } from '../../parts/DateField';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { Words } from '../../parts/Words';
import { forgetTyped } from '../../parts/typed';
import { readDate } from '../../forms/readDate';
import { useNow } from '../../sync/clock';
import { makeChange, newId } from '../../sync/outbox';
import { useSectionNames, useSections } from '../../sync/sections';

/** A typed day; empty is null; what cannot be read is undefined. */
function dayOf(written: string): string | null | undefined {
  if (written.trim() === '') return null;
  const read = readDate(written);
  return isDate(read) ? read : undefined;
}

const notADate = 'A date looks like 2026-11-23; empty is no limit';

/** A student's time in a class: its days, the cohort, or the move to another class. */
export function EnrolmentForm({ enrolment, onClose }: { enrolment: Enrolment; onClose: () => void }) {
  const now = useNow();
  const { id, sectionId, studentId } = enrolment;
  const names = useSectionNames();
  const others = useSections().filter(({ id, endedOn }) => id !== sectionId && endedOn === null);
  const [startsOn, setStartsOn] = useState(enrolment.startsOn ?? '');
  const [endsOn, setEndsOn] = useState(enrolment.endsOn ?? '');
  const [cohort, setCohort] = useState(enrolment.cohort);
  const [toId, setToId] = useState('');
  const [movesOn, setMovesOn] = useState(now.date);
  const [errors, setErrors] = useState<{ startsOn?: string; endsOn?: string; movesOn?: string }>({});
  const form = `enrolment ${id}`;
  const change = () => {
    const [first, last] = [dayOf(startsOn), dayOf(endsOn)];
    const found = {
      ...(first === undefined ? { startsOn: notADate } : {}),
      ...(last === undefined ? { endsOn: notADate } : {}),
      ...(first && last && first > last ? { endsOn: 'The last day is before the first' } : {}),
    };
    setErrors(found);
    if (first === undefined || last === undefined || Object.keys(found).length > 0) return;
    const fields = { sectionId, studentId, cohort: cohort.trim(), startsOn: first, endsOn: last };
    makeChange('enrolment.set', { id, ...fields }, studentId);
    forgetTyped(form);
    onClose();
  };
  const move = () => {
    const day = dayOf(movesOn);
    if (!day || (enrolment.startsOn && day <= enrolment.startsOn)) {
      setErrors({ movesOn: 'A day after the first one in this class' });
      return;
    }
    const to = { id: newId(), sectionId: toId, studentId, cohort: '', startsOn: day };
    makeChange('enrolment.move', { id, endsOn: addDays(day, -1), to }, studentId);
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet
      title={`Time in ${names[sectionId] ?? 'the class'}`}
      note="Lessons outside of it count nowhere; their marks are kept."
      about={form}
      onClose={onClose}
    >
      <DateField
        label="First day (empty: from the beginning)"
        value={startsOn}
        onChange={setStartsOn}
        error={errors.startsOn}
      />
      <DateField
        label="Last day (empty: to the end)"
        value={endsOn}
        onChange={setEndsOn}
        error={errors.endsOn}
      />
      <Field label="Cohort (may stay empty)" value={cohort} onChange={setCohort} />
      <Action label="Change" kind="main" onPress={change} />
      {others.length > 0 ? (
        <>
          <Words bold>Moves to another class</Words>
          <Choice
            name="Moves to"
            value={toId}
            options={others.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={setToId}
          />
          {toId ? (
            <>
              <DateField
                label="From this day on"
                value={movesOn}
                onChange={setMovesOn}
                error={errors.movesOn}
              />
              <Action label={`Move to ${names[toId] ?? ''}`} onPress={move} />
            </>
          ) : null}
        </>
      ) : null}
    </Sheet>
  );
}
