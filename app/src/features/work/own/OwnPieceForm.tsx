import { useState } from 'react';
import { isDate } from '@slate-path/core/calendar/isDate';
import { displayName } from '@slate-path/core/people/names';
import type { Section, Student } from '@slate-path/core/records/schema';
import { handInId } from '@slate-path/core/work/handInId';
import type { Finished } from '@slate-path/core/work/own/finished';
import { Action } from '../../../parts/Action';
import { DateField } from '../../../parts/DateField';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { forgetTyped } from '../../../parts/typed';
import { readDate } from '../../../forms/readDate';
import { newId } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { DueFields, dueTyped, readDue, TitleField } from '../PieceForm';
import { removeOwnWork, setOwnWork } from './setOwnWork';

interface OwnPieceFormProps {
  section: Section;
  student: Student;
  /** Null is a new one. */
  piece: Finished | null;
  today: string;
  onClose: () => void;
}

/** Whole, not negative, at most so much; null is nothing. */
function readNumber(typed: string, most: number, whole: boolean): number | null | undefined {
  if (typed.trim() === '') return null;
  const number = Number(typed.replace(',', '.'));
  return number >= 0 && number <= most && (!whole || Number.isInteger(number)) ? number : undefined;
}

/** A piece of work of one student: what, done when, how long; perhaps due on a day, for points. */
export function OwnPieceForm({ section, student, piece, today, onClose }: OwnPieceFormProps) {
  const work = piece?.work ?? null;
  const handIn = useRecords(({ current }) => current.handIn[handInId(work?.id ?? '', student.id)]);
  const [typed, setTyped] = useState(() => dueTyped(work));
  const [doneOn, setDoneOn] = useState(piece ? (piece.doneOn ?? '') : today);
  const [minutes, setMinutes] = useState(piece?.minutes == null ? '' : String(piece.minutes));
  const [score, setScore] = useState(handIn?.score == null ? '' : String(handIn.score));
  const [errors, setErrors] = useState<Record<string, string>>({});
  const form = `work ${work?.id ?? `new ${section.id} ${student.id}`}`;
  const accept = () => {
    const { errors: found, read } = readDue(typed, work);
    const day = doneOn.trim() === '' ? null : readDate(doneOn);
    const spent = readNumber(minutes, 1440, true);
    const scored = readNumber(score, 10_000, false);
    if (day !== null && !isDate(day)) found['doneOn'] = 'Which day? As 23 November or 2026-11-23.';
    if (spent === undefined) found['minutes'] = 'Whole minutes, at most those of a day';
    if (scored === undefined) found['score'] = 'A number, or nothing';
    setErrors(found);
    if (Object.keys(found).length > 0) return;
    setOwnWork(section, {
      piece: { id: work?.id ?? newId(), sectionId: section.id, studentId: student.id, ...read },
      ...{ doneOn: day, minutes: spent ?? null, score: scored ?? null },
    });
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet title={`Work of ${displayName(student)}`} about={form} onClose={onClose}>
      <TitleField typed={typed} onType={setTyped} errors={errors} />
      <DateField
        label="Done on (empty: not yet)"
        value={doneOn}
        onChange={setDoneOn}
        error={errors['doneOn']}
      />
      <Field
        label="Minutes (may stay empty)"
        value={minutes}
        onChange={setMinutes}
        keyboard="numeric"
        error={errors['minutes']}
      />
      <DueFields typed={typed} onType={setTyped} errors={errors} />
      {typed.points.trim() === '' ? null : (
        <Field
          label="Score (may stay empty)"
          value={score}
          onChange={setScore}
          keyboard="numeric"
          error={errors['score']}
        />
      )}
      <Action label={piece ? 'Change it' : 'Add it'} kind="main" onPress={accept} />
      {piece ? (
        <Action
          label="Remove it"
          onPress={() => {
            removeOwnWork(section, piece);
            onClose();
          }}
        />
      ) : null}
    </Sheet>
  );
}
