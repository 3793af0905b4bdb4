import type { Enrolment, Lesson, Standing } from '../../records/schema';
import { rulesFor, type RollBook } from '../roll/book';
import { markId } from '../roll/markId';
import { planMark, type PlannedMark } from '../roll/planMark';
import { standingFor } from '../roll/standings';
import { isEnrolledOn } from '../roll/totals';
import type { Known, MatchOptions } from './matchPeople';
import { meetingRoll, type MeetingMark, type MeetingRoll } from './meetingRoll';
import type { Participant } from './readParticipants';
import { datesOf } from './schoolTime';

/** A lesson of a class, and the lines of a list that are about it. */
export interface ListTarget {
  lesson: Lesson;
  participants: Participant[];
}

const dateOf = ({ joined, left }: Participant) => joined?.date ?? left?.date ?? null;

/**
 * Which lessons a list is about: by its dates, those of the class on each; without dates the one in hand.
 * @param lessons of one class @param inHand gets the lines without a date @param byDates false: all of it is about the lesson in hand
 * @returns the targets in order of time, and the days on which the class has no lesson
 */
export function targetsOf(
  participants: readonly Participant[],
  lessons: readonly Lesson[],
  inHand: Lesson,
  byDates: boolean,
): { targets: ListTarget[]; strangeDates: string[] } {
  const dates = byDates ? datesOf(participants) : [];
  if (dates.length === 0) {
    const undated = participants.map((found) => ({
      ...found,
      joined: found.joined && { ...found.joined, date: null },
      left: found.left && { ...found.left, date: null },
    }));
    return { targets: [{ lesson: inHand, participants: undated }], strangeDates: [] };
  }
  const open = lessons.filter((lesson) => !lesson.setAside && !lesson.removed);
  const targets = open
    .filter(({ date }) => dates.includes(date))
    .map((lesson) => ({
      lesson,
      participants: participants.filter((found) => (dateOf(found) ?? lesson.date) === lesson.date),
    }));
  return {
    targets,
    strangeDates: dates.filter((date) => !open.some((lesson) => lesson.date === date)).sort(),
  };
}

function markOf({ studentId, standing, arrivedAt, leftAt }: MeetingMark, standings: readonly Standing[]) {
  const clock = (time: string | null) => time?.slice(0, 5) ?? null;
  const nowhere = { studentId, standingId: null, arrivedAt: null, leftAt: null };
  // Here for all of it makes no mark, as on the roll.
  if (standing === 'here') return nowhere;
  const standingId = standingFor(standings, standing)?.id ?? null;
  if (standing === 'away') return { ...nowhere, standingId };
  return {
    studentId,
    standingId,
    arrivedAt: standing === 'late' ? clock(arrivedAt) : null,
    leftAt: clock(leftAt),
  };
}

export interface MeetingPlan extends MeetingRoll {
  lesson: Lesson;
  /** What would be recorded, exceptions only; those who are here and were, are in none. */
  planned: PlannedMark[];
}

/** The marks that a list would make in a lesson, each beside what is recorded there. */
export function planMeeting(
  { lesson, participants }: ListTarget,
  students: readonly Known[],
  enrolments: readonly Enrolment[],
  standings: readonly Standing[],
  book: RollBook,
  options: MatchOptions,
): MeetingPlan {
  const inClass = new Set(
    enrolments
      .filter((e) => !e.removed && e.sectionId === lesson.sectionId && isEnrolledOn(e, lesson.date))
      .map(({ studentId }) => studentId),
  );
  const known = students.filter(({ id }) => inClass.has(id));
  const { graceMinutes } = rulesFor(book, lesson.sectionId);
  const roll = meetingRoll(participants, known, lesson, graceMinutes, options);
  const planned = roll.marks
    .map((mark) => {
      const fields = markOf(mark, standings);
      // Who stayed to the end left nothing early, whatever minute the list ends at.
      const left = fields.leftAt !== null && fields.leftAt >= lesson.endsAt ? null : fields.leftAt;
      const found = book.marks[markId(lesson.id, mark.studentId)];
      return planMark(lesson, { ...fields, leftAt: left }, found, 'participants');
    })
    .filter(({ mark, before }) => mark.standingId !== null || before !== undefined);
  return { ...roll, lesson, planned };
}
