import { matchPeople, type Known, type MatchedBy, type MatchOptions } from './matchPeople';
import { peopleOf, type Participant } from './readParticipants';
import {
  placeOn,
  presenceAtAnyTime,
  presenceInMeeting,
  type MeetingLesson,
  type MeetingPresence,
} from './timeInMeeting';

/** How one student was there by a participant list; away where nobody on it is the student for sure. */
export interface MeetingMark extends MeetingPresence {
  studentId: string;
  matchedBy: MatchedBy | null;
}

export interface MeetingRoll {
  marks: MeetingMark[];
  unmatched: { lines: Participant[]; candidates: string[] }[];
}

const away: MeetingPresence = { standing: 'away', arrivedAt: null, leftAt: null, minutes: 0 };

/**
 * A lesson's roll from a participant list: every student of the class, and who on the list is nobody
 * for sure.
 * @param participants on the school's clock @param lesson null: being on the list is being here
 */
export function meetingRoll(
  participants: readonly Participant[],
  students: readonly Known[],
  lesson: MeetingLesson | null,
  graceMinutes: number,
  options: MatchOptions,
): MeetingRoll {
  const { matched, unmatched } = matchPeople(peopleOf(participants), students, options);
  const placed = placeOn(lesson?.date ?? null);
  const marks = students.map(({ id }): MeetingMark => {
    const found = matched.get(id);
    if (!found) return { studentId: id, matchedBy: null, ...away };
    const presence = lesson
      ? presenceInMeeting(found.lines, lesson, graceMinutes, placed)
      : presenceAtAnyTime(found.lines, placed);
    return { studentId: id, matchedBy: found.by, ...presence };
  });
  return { marks, unmatched };
}
