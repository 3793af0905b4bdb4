import type { Lesson, Mark, Standing, Student } from '@slate-path/core/records/schema';
import type { RollRules } from '@slate-path/core/attendance/roll/rules';
import type { TapMeaning, TapMoment } from '@slate-path/core/attendance/roll/tap';
import type { SeenMark } from './marking';

export interface StudentOnRollProps {
  lesson: Lesson;
  student: Student;
  moment: TapMoment;
  /** Where two classes are on one roll; else empty. */
  className: string;
  /** Of a tile of the board, in pixels; null for a row of the list. */
  height: number | null;
  /** On a tile: as short as tells it from the others. */
  name: string;
  onTap: (lesson: Lesson, studentId: string, seen: SeenMark) => void;
  onMore: (studentId: string) => void;
}

/** What is drawn of a student on the roll. */
export interface PictureProps extends Omit<StudentOnRollProps, 'moment'> {
  mark: Mark | undefined;
  standing: Standing | undefined;
  rules: RollRules;
  meaning: TapMeaning;
}
