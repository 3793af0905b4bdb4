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

/** What is wrong with what was typed, by field. */
function problemsOf(title: string, due: string, time: string, points: string): Record<string, string> {
  const found: Record<string, string> = {};
  if (title.trim() === '') found['title'] = 'What is the work called?';
  if (due.trim() !== '' && !isDate(readDate(due))) found['due'] = 'Which day? As 23 November or 2026-11-23.';
  if (readTime(time) === undefined) found['time'] = 'A time as 8:30';
  const number = Number(points.replace(',', '.'));
  if (points.trim() !== '' && !(number > 0 && number <= 10_000))
    found['points'] = 'A number above 0, or nothing';
  return found;
}

/** A piece of work: what, due when, how many points. */
export default function PieceForm({ sectionId, work, onClose }: PieceFormProps) {
  const [title, setTitle] = useState(work?.title ?? '');
  const [due, setDue] = useState(work?.dueAt?.slice(0, 10) ?? '');
  const [time, setTime] = useState(work?.dueAt?.slice(11, 16) ?? '');
  const [points, setPoints] = useState(work?.points ? String(work.points) : '');
  const [errors, setErrors] = useState<Record<string, string>>({});
  const form = `piece ${work?.id ?? `new ${sectionId}`}`;
  const accept = () => {
    const found = problemsOf(title, due, time, points);
    const date = due.trim() === '' ? null : readDate(due);
    const dueAt = date === null ? null : `${date}T${readTime(time) ?? endOfDay}:00`;
    if (dueAt !== null && work?.assignedAt && dueAt < work.assignedAt)
      found['due'] = 'It is due before it was set.';
    setErrors(found);
    if (Object.keys(found).length > 0) return;
    const id = work?.id ?? newId();
    makeChange(
      'piece.set',
      {
        ...{ id, sectionId, title: title.trim(), dueAt, assignedAt: work?.assignedAt ?? null },
        points: points.trim() === '' ? null : Number(points.replace(',', '.')),
      },
      sectionId,
    );
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
      <Field
        label="What"
        value={title}
        onChange={setTitle}
        error={errors['title']}
        placeholder="Tide table, copied fair"
      />
      <DateField label="Due on (empty: no day)" value={due} onChange={setDue} error={errors['due']} />
      <Field
        label="At (empty: by the end of the day)"
        value={time}
        onChange={setTime}
        error={errors['time']}
        placeholder="8:30"
      />
      <Field
        label="Points (may stay empty)"
        value={points}
        onChange={setPoints}
        keyboard="numeric"
        error={errors['points']}
        onSubmit={accept}
      />
      <Action label={work ? 'Change it' : 'Add it'} kind="main" onPress={accept} />
    </Sheet>
  );
}
