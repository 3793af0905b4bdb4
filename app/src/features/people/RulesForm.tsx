import { useState } from 'react';
import type { Section } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { Words } from '../../parts/Words';
import { forgetTyped } from '../../parts/typed';
import { check } from '../../forms/check';
import { makeChange } from '../../sync/outbox';
import { useRecords } from '../../sync/useRecords';

const creditKinds = [
  { value: 'standing', label: 'As each kind gives it' },
  { value: 'minutes', label: 'By the minutes there' },
] as const;

const written = (value: number | null) => (value === null ? '' : String(value));

/** An empty field is no rule. What is no number stays as it is, so that the form can say so. */
const numberOrNull = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));

/** How one class counts. The marks stay as they are; only the sums follow. */
export function RulesForm({ section, onClose }: { section: Section; onClose: () => void }) {
  const school = useRecords((state) => Object.values(state.current.school)[0]);
  const [grace, setGrace] = useState(written(section.graceMinutes));
  const [share, setShare] = useState(
    written(section.awayFromShare === null ? null : Math.round(section.awayFromShare * 100)),
  );
  const [lates, setLates] = useState(written(section.latesPerAbsence));
  const [creditBy, setCreditBy] = useState<Section['creditBy']>(section.creditBy);
  const [half, setHalf] = useState(written(section.halfDayMinutes));
  const [errors, setErrors] = useState<Record<string, string>>({});
  const form = `rules ${section.id}`;
  const accept = async () => {
    const percent = numberOrNull(share);
    const read = await check('SectionRules', {
      id: section.id,
      graceMinutes: numberOrNull(grace),
      awayFromShare: percent === null ? null : percent / 100,
      latesPerAbsence: numberOrNull(lates),
      creditBy,
      halfDayMinutes: numberOrNull(half),
    });
    if (read.errors) {
      setErrors(read.errors);
      return;
    }
    makeChange('section.rules', read.data, section.id);
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet
      title="How this class counts"
      note="Marks stay as they are; the sums follow."
      about={form}
      onClose={onClose}
    >
      <Field
        label={`Minutes of grace (empty: ${school?.graceMinutes ?? 5}, as in the school)`}
        value={grace}
        onChange={setGrace}
        keyboard="numeric"
        error={errors['graceMinutes'] && 'Whole minutes from 0 to 60'}
      />
      <Field
        label="Away from so many percent of a lesson missed (empty: never)"
        value={share}
        onChange={setShare}
        keyboard="numeric"
        error={errors['awayFromShare'] && 'A number from 5 to 100'}
      />
      <Field
        label="So many lates count as one absence (empty: never)"
        value={lates}
        onChange={setLates}
        keyboard="numeric"
        error={errors['latesPerAbsence'] && 'A whole number from 2 to 20'}
      />
      <Words size="small" tone="inkQuiet">
        Credit for a lesson
      </Words>
      <Choice name="Credit" value={creditBy} options={creditKinds} onChange={setCreditBy} />
      <Field
        label="A day of at most so many minutes is half a day (empty: every day is whole)"
        value={half}
        onChange={setHalf}
        keyboard="numeric"
        error={errors['halfDayMinutes'] && 'Whole minutes from 1 to 720'}
      />
      <Action label="Count so" kind="main" onPress={() => void accept()} />
    </Sheet>
  );
}
