import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { displayName } from '@slate-path/core/people/names';
import type { Student, Tick, TickColumn } from '@slate-path/core/records/schema';
import { holdsWords } from '@slate-path/core/ticks/legendTable';
import { moneyWords } from '@slate-path/core/ticks/tickWords';
import { usePaperSize } from '../../files/paperSize';
import { useGiveFile } from '../../files/useGiveFile';
import { loadDateReader } from '../../forms/readDate';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { DateField } from '../../parts/DateField';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { TickRow } from '../../parts/TickRow';
import { Words } from '../../parts/Words';
import { forgetTyped } from '../../parts/typed';
import { setCells } from './ticking';
import { amountTyped, cellOf, dayTyped, hasAmount, readTyped, writtenOf } from './typing';

interface ValueSheetProps {
  column: TickColumn;
  student: Student;
  tick: Tick | undefined;
  onClose: () => void;
}

/** What stands in a column for one student: typed, or not asked of them; of a fee also when, and how much they owe. */
export function ValueSheet({ column, student, tick, onClose }: ValueSheetProps) {
  const fee = column.kind === 'fee';
  const about = `tick ${column.id} ${student.id}`;
  const [written, setWritten] = useState(tick?.exempt ? '' : writtenOf(tick));
  const [on, setOn] = useState(tick?.on ?? '');
  const [owes, setOwes] = useState(tick?.owes == null ? '' : String(tick.owes));
  const [exempt, setExempt] = useState(tick?.exempt ?? false);
  const [errors, setErrors] = useState<Record<string, string>>({});
  useEffect(() => void loadDateReader(), []);
  const close = () => {
    forgetTyped(about);
    onClose();
  };
  const keep = () => {
    const read = readTyped(column, written);
    const day = dayTyped(on);
    const amount = amountTyped(owes, column.unit);
    const wrong = {
      ...('problem' in read && !exempt ? { written: read.problem } : {}),
      ...(fee && day === undefined ? { on: 'Which day? As 4 December or 2026-12-04.' } : {}),
      ...(fee && amount === undefined ? { owes: 'An amount, or nothing' } : {}),
    };
    setErrors(wrong);
    if (Object.keys(wrong).length > 0 || ('problem' in read && !exempt)) return;
    const cell = exempt || 'problem' in read ? { value: null, on: null, exempt: true } : cellOf(read, tick);
    const ofFee = fee ? { owes: amount ?? null, ...(day && cell.value !== null ? { on: day } : {}) } : {};
    setCells(column, [[student.id, { ...cell, ...ofFee }]]);
    close();
  };
  return (
    <Sheet
      title={displayName(student)}
      note={`${column.name}: ${holdsWords(column)}`}
      onClose={close}
      about={about}
    >
      {exempt ? null : column.kind === 'choice' ? (
        <Choice
          name={column.name}
          value={written}
          options={column.choices.map((choice) => ({ value: choice, label: choice }))}
          onChange={setWritten}
        />
      ) : column.kind === 'date' ? (
        <DateField
          label="Day"
          value={written}
          onChange={setWritten}
          error={errors['written']}
          onSubmit={keep}
        />
      ) : (
        <Field
          label={fee ? `Paid${column.unit ? `, ${column.unit}` : ''}` : column.name}
          typedAs="value"
          value={written}
          onChange={setWritten}
          error={errors['written']}
          keyboard={column.kind === 'text' || column.kind === 'tick' ? 'default' : 'decimal-pad'}
          onSubmit={keep}
        />
      )}
      {fee && !exempt ? (
        <>
          <DateField label="Paid on (empty: today)" value={on} onChange={setOn} error={errors['on']} />
          <Field
            label={`Owes something else than ${moneyWords(column.most ?? 0, column.unit)}`}
            typedAs="owes"
            value={owes}
            onChange={setOwes}
            error={errors['owes']}
            hint="Empty: as everybody. 0 where the fee is waived."
            keyboard="decimal-pad"
            onSubmit={keep}
          />
        </>
      ) : null}
      <TickRow name="Not needed of this student" ticked={exempt} onChange={setExempt}>
        <Words>Not needed of this student</Words>
      </TickRow>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Action label="Keep it" kind="main" onPress={keep} />
        {fee && hasAmount(tick) ? <ReceiptAction column={column} student={student} /> : null}
      </View>
    </Sheet>
  );
}

function ReceiptAction({ column, student }: Pick<ValueSheetProps, 'column' | 'student'>) {
  const paper = usePaperSize();
  const { give, sheet } = useGiveFile();
  return (
    <>
      <Action
        label="Receipt as PDF"
        onPress={() => {
          give(addressOf('receipts', { columnId: column.id, studentId: student.id, paper }));
        }}
      />
      {sheet}
    </>
  );
}
