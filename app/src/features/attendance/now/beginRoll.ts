import { lessonFrom } from '@slate-path/core/calendar/lessonFrom';
import { lessonsAtOnce } from '@slate-path/core/calendar/lessons';
import type { LocalMoment } from '@slate-path/core/calendar/zone';
import type { MergedRow } from '@slate-path/core/people/roster/mergeRoster';
import { listOf, type Records } from '@slate-path/core/records/records';
import { makeChange, newId } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { allLessons } from '../lesson/lessons';
import { addLesson } from '../lesson/marking';

/** The lesson of a class that is on now, or else the times of one that begins now. */
export function lessonAt(records: Records, sectionId: string, { date, time }: LocalMoment) {
  const ofClass = allLessons(records).filter((lesson) => lesson.sectionId === sectionId);
  const times = lessonFrom(time, ofClass.findLast((lesson) => lesson.date <= date) ?? null);
  const [on] = lessonsAtOnce(ofClass, sectionId, { date, startsAt: time, endsAt: times.endsAt });
  return { on, times };
}

/** @returns the lesson of a class that is on now, made where there is none */
export function beginLesson(sectionId: string, moment: LocalMoment): string {
  const { on, times } = lessonAt(useRecords.getState().current, sectionId, moment);
  return on?.id ?? addLesson({ sectionId, date: moment.date, ...times, label: '' });
}

/** A new class with its students. @returns its id */
export async function beginClass(name: string, students: readonly MergedRow[]): Promise<string> {
  const id = newId();
  makeChange('section.set', { id, name, subject: '', room: '' }, id);
  if (students.length > 0) {
    const { acceptedPeople } = await import('../../../files/lists');
    const guardians = listOf(useRecords.getState().current, 'guardian');
    const people = acceptedPeople(students, { guardians }, null, newId);
    makeChange('roster.accept', { sectionId: id, people, gone: [] }, id);
  }
  return id;
}
