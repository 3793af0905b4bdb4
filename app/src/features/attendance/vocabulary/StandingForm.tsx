import { useState } from 'react';
import { View } from 'react-native';
import type { Standing } from '@slate-path/core/records/schema';
import { standingWith } from '@slate-path/core/attendance/roll/standings';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { forgetTyped } from '../../../parts/typed';
import { space } from '../../../theme/tokens';
import { check } from '../../../forms/check';
import { makeChange, newId } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { about, countsAsWords, marksWords } from './words';

interface StandingFormProps {
  standing: Standing | null;
  /** Where it comes among the others, when it is new. */
  position: number;
  marks: number;
  onClose: () => void;
}

const meanings = Object.entries(countsAsWords).map(([value, label]) => ({
  value: value as Standing['countsAs'],
  label,
}));
const yesNo = [
  { value: 'no', label: 'Not excused' },
  { value: 'yes', label: 'Excused' },
] as const;

/** What a kind in use has already. */
function takenBy({ id, code, name }: { id: string; code: string; name: string }): Record<string, string> {
  const standings = Object.values(useRecords.getState().current.standing);
  const [letter, same] = [
    standingWith(standings, id, 'code', code),
    standingWith(standings, id, 'name', name),
  ];
  return {
    ...(letter ? { code: `“${letter.name}” has this letter` } : {}),
    ...(same ? { name: 'There is a kind of this name' } : {}),
  };
}

/** An attendance kind: its letter, its name, and what it means for the sums. */
export function StandingForm({ standing, position, marks, onClose }: StandingFormProps) {
  const [code, setCode] = useState(standing?.code ?? '');
  const [name, setName] = useState(standing?.name ?? '');
  const [countsAs, setCountsAs] = useState<Standing['countsAs']>(standing?.countsAs ?? 'away');
  const [credit, setCredit] = useState(String(standing?.credit ?? 0));
  const [excused, setExcused] = useState<'yes' | 'no'>(standing?.excused ? 'yes' : 'no');
  const [errors, setErrors] = useState<Record<string, string>>({});
  const number = Number(credit.replace(',', '.'));
  const otherwise =
    standing !== null &&
    (standing.countsAs !== countsAs ||
      standing.credit !== number ||
      standing.excused !== (excused === 'yes'));
  const form = `standing ${standing?.id ?? 'new'}`;
  const accept = async () => {
    const read = await check('StandingFields', {
      id: standing?.id ?? newId(),
      code,
      name,
      countsAs,
      credit: credit.trim() === '' ? Number.NaN : number,
      excused: excused === 'yes',
      position: standing?.position ?? position,
    });
    const taken = takenBy(read.data ?? { id: standing?.id ?? '', code, name });
    if (read.errors || Object.keys(taken).length > 0) {
      setErrors({ ...taken, ...read.errors });
      return;
    }
    makeChange('standing.set', read.data, about);
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet title={standing ? `Change “${standing.name}”` : 'A new kind'} about={form} onClose={onClose}>
      <View style={{ flexDirection: 'row', gap: space(3) }}>
        <Field label="Letter" value={code} onChange={setCode} width={96} error={errors['code']} />
        <Field
          label="Name"
          value={name}
          onChange={setName}
          error={errors['name']}
          placeholder="At the dentist"
        />
      </View>
      <Words size="small" tone="inkQuiet">
        Counts as
      </Words>
      <Choice name="Counts as" value={countsAs} options={meanings} onChange={setCountsAs} />
      {countsAs === 'not_counted' ? null : (
        <Field
          label="Credit, from 0 to 1"
          value={credit}
          onChange={setCredit}
          width={180}
          error={errors['credit'] ? 'A number from 0 to 1, such as 0.5' : undefined}
        />
      )}
      {countsAs === 'away' ? (
        <Choice name="Excused" value={excused} options={yesNo} onChange={setExcused} />
      ) : null}
      {otherwise && marks > 0 ? (
        <Words
          live
        >{`${marksWords(marks)} will count by the new meaning, back to the first. A new letter or name alone changes no sum.`}</Words>
      ) : null}
      <Action label={standing ? 'Change' : 'Add it'} kind="main" onPress={() => void accept()} />
    </Sheet>
  );
}
