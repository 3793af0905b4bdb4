import { useState } from 'react';
import { isDate } from '@slate-path/core/calendar/isDate';
import type { TickColumn } from '@slate-path/core/records/schema';
import { kindWords } from '@slate-path/core/ticks/legendTable';
import {
  longestChoice,
  longestTickName,
  mostChoices,
  tickKinds,
  type TickKind,
} from '@slate-path/core/ticks/limits';
import { nextNumber } from '@slate-path/core/ticks/sheetTable';
import { ticksHistory } from '@slate-path/core/ticks/tickId';
import { readDate } from '../../forms/readDate';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { DateField } from '../../parts/DateField';
import { Field } from '../../parts/Field';
import { SeveralOf } from '../../parts/SeveralOf';
import { Sheet } from '../../parts/Sheet';
import { TickRow } from '../../parts/TickRow';
import { forgetTyped } from '../../parts/typed';
import { Words } from '../../parts/Words';
import { makeChange, newId } from '../../sync/outbox';
import { useSections } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';
import { amountTyped } from './typing';
import { columnsOf } from './useSheet';

interface ColumnFormProps {
  sectionId: string;
  /** Null: a new one. */
  column: TickColumn | null;
  onClose: (made?: string) => void;
}

interface Typed {
  name: string;
  kind: TickKind;
  most: string;
  unit: string;
  choices: string;
  due: string;
  number: string;
  legend: string;
  shown: boolean;
}

const typedOf = (column: TickColumn | null, number: number): Typed => ({
  name: column?.name ?? '',
  kind: column?.kind ?? 'tick',
  most: column?.most == null ? '' : String(column.most),
  unit: column?.unit ?? '',
  choices: column?.choices.join(', ') ?? '',
  due: column?.dueOn ?? '',
  number: String(column?.number ?? number),
  legend: column?.legend ?? '',
  shown: column?.shown ?? false,
});

type Errors = Partial<Record<keyof Typed, string>>;

/** What was typed as a column, or what is wrong with it. */
function readColumn(typed: Typed): {
  errors: Errors;
  read: Omit<TickColumn, 'id' | 'sectionId' | 'removed'>;
} {
  const { kind, unit, shown } = typed;
  const errors: Errors = {};
  const name = typed.name.trim();
  if (name === '') errors.name = 'What is it called?';
  if (name.length > longestTickName) errors.name = `At most ${longestTickName} characters`;
  const counts = kind === 'ofMany' || kind === 'fee';
  const most = counts ? amountTyped(typed.most, unit) : null;
  if (most === undefined || (kind === 'ofMany' && !most)) errors.most = 'A number above 0, as 8';
  const choices = [
    ...new Set(
      typed.choices
        .split(/[,;\n]/)
        .map((one) => one.trim())
        .filter(Boolean),
    ),
  ];
  if (kind === 'choice' && choices.length === 0) errors.choices = 'Between what can be chosen? With commas.';
  if (choices.length > mostChoices || choices.some((one) => one.length > longestChoice))
    errors.choices = `At most ${mostChoices}, each of at most ${longestChoice} characters`;
  const due = typed.due.trim() === '' ? null : readDate(typed.due);
  if (due !== null && !isDate(due)) errors.due = 'Which day? As 4 December or 2026-12-04.';
  const number = Number(typed.number);
  if (!Number.isInteger(number) || number < 1 || number > 999) errors.number = 'A whole number from 1 to 999';
  const rest = { number, dueOn: due, legend: typed.legend.trim().slice(0, 200), most: most ?? null };
  const measured = kind === 'number' || kind === 'fee';
  return {
    errors,
    read: {
      ...{ name, kind, ...rest, unit: measured ? unit.trim() : '', shown },
      choices: kind === 'choice' ? choices : [],
    },
  };
}

/** A column of a tick-sheet: what it is called, what stands in it, by when. */
export function ColumnForm({ sectionId, column, onClose }: ColumnFormProps) {
  const sections = useSections().filter(({ id, endedOn }) => id !== sectionId && endedOn === null);
  const next = nextNumber(columnsOf(useRecords.getState().current, sectionId));
  const [typed, setTyped] = useState(() => typedOf(column, next));
  const [errors, setErrors] = useState<Errors>({});
  const [others, setOthers] = useState<ReadonlySet<string>>(new Set());
  const about = `tick column ${column?.id ?? `new ${sectionId}`}`;
  const set = (some: Partial<Typed>) => {
    setTyped((before) => ({ ...before, ...some }));
  };
  const field = (key: keyof Omit<Typed, 'shown' | 'kind'>) => ({
    value: typed[key],
    onChange: (value: string) => {
      set({ [key]: value });
    },
    error: errors[key],
  });
  const accept = () => {
    const { errors: found, read } = readColumn(typed);
    setErrors(found);
    if (Object.keys(found).length > 0) return;
    const id = column?.id ?? newId();
    const { current } = useRecords.getState();
    const elsewhere = column ? [] : [...others];
    const columns = [
      { id, sectionId, ...read },
      ...elsewhere.map((of) => ({
        ...{ id: newId(), sectionId: of, ...read },
        number: nextNumber(columnsOf(current, of)),
      })),
    ];
    makeChange('tickColumn.set', { columns }, ticksHistory);
    forgetTyped(about);
    onClose(id);
  };
  const { kind } = typed;
  return (
    <Sheet
      title={column ? 'Change the column' : 'A column'}
      note="A small thing that is kept of each student"
      about={about}
      onClose={() => {
        onClose();
      }}
    >
      <Field label="What" placeholder="Slip for the boat trip" {...field('name')} />
      <Choice
        name="What stands there"
        value={kind}
        options={tickKinds.map((value) => ({ value, label: kindWords[value] }))}
        onChange={(value) => {
          set({ kind: value });
        }}
      />
      {kind === 'ofMany' ? (
        <Field label="Of how many" keyboard="numeric" placeholder="8" {...field('most')} />
      ) : null}
      {kind === 'fee' ? (
        <Field label="What each owes" keyboard="decimal-pad" placeholder="12.50" {...field('most')} />
      ) : null}
      {kind === 'fee' || kind === 'number' ? (
        <Field
          label={kind === 'fee' ? 'Money' : 'Unit (may stay empty)'}
          placeholder={kind === 'fee' ? '€' : 'cm'}
          {...field('unit')}
        />
      ) : null}
      {kind === 'choice' ? (
        <Field label="Choices, with commas" placeholder="Fish, Vegetables" {...field('choices')} />
      ) : null}
      <DateField label="Due on (empty: no day)" {...field('due')} />
      <Field
        label="Legend (may stay empty)"
        placeholder="The blue slip, signed on the back"
        {...field('legend')}
      />
      <Field label="Its number on paper" keyboard="numeric" {...field('number')} onSubmit={accept} />
      <TickRow
        name="Students see theirs on their own page"
        ticked={typed.shown}
        onChange={(shown) => {
          set({ shown });
        }}
      >
        <Words>Students see theirs on their own page</Words>
      </TickRow>
      {column === null && sections.length > 0 ? (
        <>
          <Words size="small" tone="inkQuiet">
            The same in these classes too
          </Words>
          <SeveralOf
            name="The same in these classes too"
            values={others}
            options={sections.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={setOthers}
          />
        </>
      ) : null}
      <Action label={column ? 'Change it' : 'Add it'} kind="main" onPress={accept} />
    </Sheet>
  );
}
