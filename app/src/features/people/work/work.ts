import { listOf, type Records } from '@slate-path/core/records/records';
import type { Section, Task } from '@slate-path/core/records/schema';
import { planWork } from '@slate-path/core/people/work/planWork';
import { allLessons } from '../../attendance/lesson/lessons';
import { now } from '../../../sync/clock';
import { makeChange } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';

/** The rolls that follow on some days from the work as it would be. */
function rollsFor(section: Section, dates: ReadonlySet<string>, tasks: readonly Task[], records: Records) {
  const lessons = allLessons(records).filter(
    (lesson) => lesson.sectionId === section.id && dates.has(lesson.date),
  );
  return planWork(
    lessons,
    section,
    {
      tasks,
      enrolments: listOf(records, 'enrolment'),
      standings: listOf(records, 'standing'),
      marks: records.mark,
    },
    new Date(now()).toISOString(),
  );
}

function datesOf(...tasks: (Pick<Task, 'doneOn'> | undefined)[]): Set<string> {
  return new Set(tasks.flatMap((task) => (task?.doneOn ? [task.doneOn] : [])));
}

/** Adds a piece of work or changes one; the days it was and is done on are counted anew. */
export function setTask(section: Section, task: Omit<Task, 'removed'>): void {
  const { current } = useRecords.getState();
  const before = current.task[task.id];
  const others = listOf(current, 'task').filter(({ id }) => id !== task.id);
  const tasks = [...others, { ...task, removed: false }];
  const lessons = rollsFor(section, datesOf(before, task), tasks, current);
  makeChange('task.set', { task, lessons }, section.id);
}

export function removeTask(section: Section, task: Task): void {
  const { current } = useRecords.getState();
  const tasks = listOf(current, 'task').filter(({ id }) => id !== task.id);
  const lessons = rollsFor(section, datesOf(task), tasks, current);
  makeChange('task.remove', { id: task.id, studentId: task.studentId, lessons }, section.id);
}

/** From how many minutes a day is a whole one; every day with finished work is counted anew. */
export function setWholeDay(section: Section, wholeDayMinutes: number | null): void {
  const { current } = useRecords.getState();
  const tasks = listOf(current, 'task').filter(({ sectionId }) => sectionId === section.id);
  const lessons = rollsFor({ ...section, wholeDayMinutes }, datesOf(...tasks), tasks, current);
  makeChange('section.wholeDay', { id: section.id, wholeDayMinutes, lessons }, section.id);
}
