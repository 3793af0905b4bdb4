import type { Lesson } from '@slate-path/core/records/schema';
import type { RollRow } from '@slate-path/core/attendance/roll/rollRows';

/** A row of the roll, and the lesson it is in: two classes may have one roll. */
export interface LessonRow extends RollRow {
  lesson: Lesson;
}
