import { listOf, type Records } from '@slate-path/core/records/records';
import type { Section, Work } from '@slate-path/core/records/schema';
import { handInId } from '@slate-path/core/work/handInId';
import { finishedIn, type Finished } from '@slate-path/core/work/own/finished';
import { finishedAt } from '@slate-path/core/work/own/finishedAt';
import { planWork } from '@slate-path/core/work/own/planWork';
import { allLessons } from '../../attendance/lesson/lessons';
import { now } from '../../../sync/clock';
import { makeChange } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { localNow } from '../setHandIns';

type Day = Pick<Finished, 'studentId' | 'doneOn' | 'minutes'>;

/** What of its own each student of a class has finished. */
export const finishedOf = (records: Records, sectionId: string): Finished[] =>
  finishedIn(listOf(records, 'work'), records.handIn, sectionId);

/** The rolls that follow on some days from the work as it would be, where the class counts by it. */
function rollsFor(
  section: Section,
  days: readonly (Day | undefined)[],
  pieces: readonly Day[],
  records: Records,
) {
  if (!section.attendedByWork) return [];
  const dates = new Set(days.flatMap((day) => day?.doneOn ?? []));
  const lessons = allLessons(records).filter(
    (lesson) => lesson.sectionId === section.id && dates.has(lesson.date),
  );
  return planWork(
    lessons,
    section,
    {
      pieces,
      enrolments: listOf(records, 'enrolment'),
      standings: listOf(records, 'standing'),
      marks: records.mark,
    },
    new Date(now()).toISOString(),
  );
}

/** What is done today is done by now. */
function momentOn(day: string): string {
  const here = localNow();
  return here.startsWith(day) ? here : finishedAt(day);
}

export interface OwnWork {
  piece: Omit<Work, 'removed' | 'studentId'> & { studentId: string };
  /** Local day; null is not yet. */
  doneOn: string | null;
  minutes: number | null;
  score: number | null;
}

/** Adds a piece of one student or changes one; the days it was and is finished on are counted anew. */
export function setOwnWork(section: Section, { piece, doneOn, minutes, score }: OwnWork): void {
  const { current } = useRecords.getState();
  const all = finishedOf(current, section.id);
  const before = all.find(({ work }) => work.id === piece.id);
  const kept = current.handIn[handInId(piece.id, piece.studentId)];
  const after = { studentId: piece.studentId, doneOn, minutes };
  const lessons = rollsFor(
    section,
    [before, after],
    [...all.filter((one) => one !== before), after],
    current,
  );
  const sameDay = doneOn !== null && before?.doneOn === doneOn;
  const handedInAt = doneOn === null ? null : sameDay ? (kept?.handedInAt ?? null) : momentOn(doneOn);
  const isExcused = doneOn === null && kept?.status === 'excused';
  makeChange(
    'piece.own',
    {
      piece,
      handIn: {
        status: isExcused ? 'excused' : doneOn === null ? 'missing' : 'handed_in',
        ...{ handedInAt, minutes, score },
        handedBackAt: kept?.handedBackAt ?? null,
      },
      lessons,
    },
    section.id,
  );
}

export function removeOwnWork(
  section: Section,
  { work: { id }, studentId }: Pick<Finished, 'work' | 'studentId'>,
): void {
  const { current } = useRecords.getState();
  const all = finishedOf(current, section.id);
  const before = all.find(({ work }) => work.id === id);
  const lessons = rollsFor(
    section,
    [before],
    all.filter((one) => one !== before),
    current,
  );
  makeChange('piece.ownRemove', { id, studentId, lessons }, section.id);
}

/**
 * Whether days with finished work count as attended, and from how many minutes one is whole. Every such day is counted
 * anew; where they do not count any more, marks that came of work are taken out.
 */
export function setAttendedByWork(
  section: Section,
  counts: Pick<Section, 'attendedByWork' | 'wholeDayMinutes'>,
): void {
  const { current } = useRecords.getState();
  const all = finishedOf(current, section.id);
  const pieces = counts.attendedByWork ? all : [];
  const lessons = rollsFor({ ...section, ...counts, attendedByWork: true }, all, pieces, current);
  makeChange('section.wholeDay', { id: section.id, ...counts, lessons }, section.id);
}
