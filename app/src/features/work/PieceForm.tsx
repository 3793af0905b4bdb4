import { useState } from 'react';
import { isDate } from '@slate-path/core/calendar/isDate';
import { readTime } from '@slate-path/core/calendar/readTime';
import type { Work } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { DateField } from '../../parts/DateField';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { forgetTyped } from '../../parts/typed';
import { readDate } from '../../forms/readDate';
import { makeChange, newId } from '../../sync/outbox';

interface PieceFormProps {
  sectionId: string;
  /** Null is a new one. */
  work: Work | null;
  onClose: (made?: string) => void;
}

/** At the end of the day, unless a time is given. */
const endOfDay = '23:59';

export interface DueTyped {
  title: string;
  due: string;
  time: string;
  points: string;
}

export const dueTyped = (work: Work | null): DueTyped => ({
  title: work?.title ?? '',
  due: work?.dueAt?.slice(0, 10) ?? '',
  time: work?.dueAt?.slice(11, 16) ?? '',
  points: work?.points ? String(work.points) : '',
});

/** What is wrong with what was typed, by field, and what it comes to. */
export function readDue({ title, due, time, points }: DueTyped, work: Work | null) {
  const errors: Record<string, string> = {};
  if (title.trim() === '') errors['title'] = 'What is the work called?';
  const date = due.trim() === '' ? null : readDate(due);
  if (date !== null && !isDate(date)) errors['due'] = 'Which day? As 23 November or 2026-11-23.';
  if (readTime(time) === undefined) errors['time'] = 'A time as 8:30';
  const number = Number(points.replace(',', '.'));
  if (points.trim() !== '' && !(number > 0 && number <= 10_000))
    errors['points'] = 'A number above 0, or nothing';
  const dueAt = date === null ? null : `${date}T${readTime(time) ?? endOfDay}:00`;
  if (dueAt !== null && work?.assignedAt && dueAt < work.assignedAt)
    errors['due'] = 'It is due before it was set.';
  const read = {
    ...{ title: title.trim(), dueAt, assignedAt: work?.assignedAt ?? null },
    points: points.trim() === '' ? null : number,
  };
  return { errors, read };
}

/** A piece of work: what, due when, how many points. */
export function PieceForm({ sectionId, work, onClose }: PieceFormProps) {
  const [typed, setTyped] = useState(() => dueTyped(work));
  const [errors, setErrors] = useState<Record<string, string>>({});
  const form = `piece ${work?.id ?? `new ${sectionId}`}`;
  const accept = () => {
    const { errors: found, read } = readDue(typed, work);
    setErrors(found);
    if (Object.keys(found).length > 0) return;
    const id = work?.id ?? newId();
    makeChange('piece.set', { id, sectionId, studentId: null, ...read }, sectionId);
    forgetTyped(form);
    onClose(id);
  };
  return (
    <Sheet
      title={work ? 'Change the piece of work' : 'A piece of work'}
      about={form}
      onClose={() => {
        onClose();
      }}
    >
      <TitleField typed={typed} onType={setTyped} errors={errors} />
      <DueFields typed={typed} onType={setTyped} errors={errors} onSubmit={accept} />
      <Action label={work ? 'Change it' : 'Add it'} kind="main" onPress={accept} />
    </Sheet>
  );
}

export interface DueFieldsProps {
  typed: DueTyped;
  onType: (typed: DueTyped) => void;
  errors: Record<string, string>;
  onSubmit?: () => void;
}

export function TitleField({ typed, onType, errors }: DueFieldsProps) {
  return (
    <Field
      label="What"
      value={typed.title}
      onChange={(title) => {
        onType({ ...typed, title });
      }}
      error={errors['title']}
      placeholder="Tide table, copied fair"
    />
  );
}

/** When a piece is due, and what it is worth. */
export function DueFields({ typed, onType, errors, onSubmit }: DueFieldsProps) {
  return (
    <>
      <DateField
        label="Due on (empty: no day)"
        value={typed.due}
        onChange={(due) => {
          onType({ ...typed, due });
        }}
        error={errors['due']}
      />
      <Field
        label="At (empty: by the end of the day)"
        value={typed.time}
        onChange={(time) => {
          onType({ ...typed, time });
        }}
        error={errors['time']}
        placeholder="8:30"
      />
      <Field
        label="Points (may stay empty)"
        value={typed.points}
        onChange={(points) => {
          onType({ ...typed, points });
        }}
        keyboard="numeric"
        error={errors['points']}
        {...(onSubmit && { onSubmit })}
      />
    </>
  );
}
