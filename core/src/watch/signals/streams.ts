import type { Place } from '../../people/room/placing';
import type { Concern, StreamName } from './names';

export { concerns, streamNames, type Concern, type StreamName } from './names';

/** Which streams speak for a concern. Weather speaks for two, for it is the student's own word. */
export const streamsOf: Record<Concern, readonly StreamName[]> = {
  absent: ['presence', 'lateness'],
  disengaged: ['voice', 'engagement', 'weather', 'online'],
  struggling: ['hand_in', 'score', 'stuck', 'trouble', 'weather'],
};

/**
 * What was seen of a class at one time in one stream: a lesson, a school day or a piece of work.
 * Arrays are by student, in the order of the series; `value` is NaN where there was no chance to see any.
 */
export interface Slot {
  date: string;
  /** How many lessons had been held before it. */
  lesson: number;
  value: Float64Array;
  /** How much chance there was, 1 for a whole lesson; null where it is all or nothing. */
  exposure: Float64Array | null;
  /** What is behind it: the id of the lesson or piece of work; a date for a day. */
  source: string;
}

export interface SeriesLesson {
  id: string;
  date: string;
  /** HH:MM */
  startsAt: string;
}

/** How the class sat from a day on. */
export interface ClassSeating {
  startsOn: string;
  roomPlanId: string;
  places: readonly Place[];
}

export interface MissedHow {
  excused: boolean;
  /** There for a part of it, though for less than counts. */
  partly: boolean;
}

/** The key of a student's lesson in `missedHow`. */
export const missedKey = (lessonId: string, i: number) => `${lessonId} ${i}`;

/** Everything that is known of a class until an evening, in order of time. */
export interface ClassSeries {
  sectionId: string;
  /** Students who are or were in the class. */
  students: { id: string; name: string; /** Enrolled on that evening. */ active: boolean }[];
  lessons: SeriesLesson[];
  seatings: readonly ClassSeating[];
  /** How lessons were missed, by lesson id and student's place in the series, where there is more to say of it. */
  missedHow: ReadonlyMap<string, MissedHow>;
  streams: Record<StreamName, Slot[]>;
}
