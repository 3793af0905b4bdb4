import { listOf, type Records } from '@slate-path/core/records/records';
import type { Lesson, Mark } from '@slate-path/core/records/schema';
import type { MeetingPlan } from '@slate-path/core/attendance/participants/planMeeting';
import type { PlannedMark } from '@slate-path/core/attendance/roll/planMark';
import { historyOf } from '../lesson/lessons';
import { keyOf } from '../lesson/marking';
import type { Answers } from './keptAnswers';
import { now } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';

function taking(lesson: Lesson): { takenAt?: string } {
  return lesson.takenAt === null ? { takenAt: new Date(now()).toISOString() } : {};
}

/** Records a list in its lessons as one change, with what was answered. */
export function recordList(
  inHand: Lesson,
  plans: readonly MeetingPlan[],
  chosen: readonly PlannedMark[],
  answers: Answers,
  records: Records,
): void {
  const { sectionId } = inHand;
  const known = new Map(
    Object.values(records.participantAnswer)
      .filter((answer) => answer.sectionId === sectionId)
      .map(({ entry, id }) => [entry, id]),
  );
  const lessons = plans.map(({ lesson }) => ({
    lesson: keyOf(lesson),
    marks: chosen.filter((item) => item.lesson.id === lesson.id).map(({ mark }) => mark),
    ...taking(lesson),
  }));
  const answered = [...answers].map(([entry, studentId]) => ({
    id: known.get(entry) ?? newId(),
    sectionId,
    entry,
    studentId,
  }));
  makeChange('participants.record', { about: inHand.id, lessons, answers: answered }, historyOf(inHand));
}

const nowhere = { standingId: null, arrivedAt: null, leftAt: null };

/** The marks of a lesson that came from a list. */
export function listMarks(records: Records, lessonId: string): Mark[] {
  return listOf(records, 'mark').filter(
    (mark) => mark.lessonId === lessonId && mark.source === 'participants' && mark.standingId !== null,
  );
}

/** Moves a list's marks to the lesson they belong to; the roll they were in by mistake is not taken any more. */
export function moveList(from: Lesson, to: Lesson, records: Records): void {
  const marks = listMarks(records, from.id);
  const others = listOf(records, 'mark').some(
    (mark) => mark.lessonId === from.id && mark.source !== 'participants' && mark.standingId !== null,
  );
  makeChange(
    'participants.move',
    {
      from: {
        lesson: keyOf(from),
        marks: marks.map(({ studentId }) => ({ studentId, ...nowhere })),
        ...(others ? {} : { takenAt: null }),
      },
      to: {
        lesson: keyOf(to),
        marks: marks.map(({ studentId, standingId, arrivedAt, leftAt }) => ({
          studentId,
          standingId,
          arrivedAt,
          leftAt,
        })),
        ...taking(to),
      },
    },
    historyOf(to),
  );
}
