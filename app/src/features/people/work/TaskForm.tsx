import { useState } from 'react';
import type { Section, Student, Task } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { DateField } from '../../../parts/DateField';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { forgetTyped } from '../../../parts/typed';
import { check } from '../../../forms/check';
import { readDate } from '../../../forms/readDate';
import { newId } from '../../../sync/outbox';
import { removeTask, setTask } from './work';

interface TaskFormProps {
  section: Section;
  student: Student;
  /** Null is a new one. */
  task: Task | null;
  today: string;
  onClose: () => void;
}

/** One piece of work: what, done when, how long. */
export function TaskForm({ section, student, task, today, onClose }: TaskFormProps) {
  const [title, setTitle] = useState(task?.title ?? '');
  const [doneOn, setDoneOn] = useState(task ? (task.doneOn ?? '') : today);
  const [minutes, setMinutes] = useState(task?.minutes === null || !task ? '' : String(task.minutes));
  const [errors, setErrors] = useState<Record<string, string>>({});
  const form = `work ${task?.id ?? `new ${section.id} ${student.id}`}`;
  const accept = async () => {
    const read = await check('TaskFields', {
      id: task?.id ?? newId(),
      sectionId: section.id,
      studentId: student.id,
      title,
      doneOn: doneOn.trim() === '' ? null : readDate(doneOn),
      minutes: minutes.trim() === '' ? null : Number(minutes),
    });
    if (read.errors) {
      setErrors(read.errors);
      return;
    }
    setTask(section, read.data);
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet title={task ? 'Change the work' : 'A piece of work'} about={form} onClose={onClose}>
      <Field
        label="What"
        value={title}
        onChange={setTitle}
        error={errors['title']}
        placeholder="Chart of the bay"
      />
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
        error={errors['minutes'] && 'Whole minutes, at most those of a day'}
      />
      <Action label={task ? 'Change it' : 'Add it'} kind="main" onPress={() => void accept()} />
      {task ? (
        <Action
          label="Remove it"
          onPress={() => {
            removeTask(section, task);
            onClose();
          }}
        />
      ) : null}
    </Sheet>
  );
}
