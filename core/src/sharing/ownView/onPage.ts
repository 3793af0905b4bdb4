import type { Standing, Tick, TickColumn } from '../../records/schema';
import type { RollRules } from '../../attendance/roll/rules';
import type { PageLanguage } from '../readerPage/language';
import type { StudentOnPage } from '../readerPage/onPage';

/** How marks count in a class. */
export interface CountingOnPage {
  standings: readonly Pick<Standing, 'name' | 'countsAs' | 'excused'>[];
  rules: RollRules;
}

/** A class as one of its students sees it. Null: that part was not chosen. */
export interface OwnClass {
  sectionId: string;
  name: string;
  teacher: string;
  language: PageLanguage;
  from: string;
  to: string;
  levels: readonly string[];
  /** Attendance, work, inner weather and discussions, as they stand on any page. */
  student: StudentOnPage;
  counting: CountingOnPage | null;
  /** The columns of the class's tick-sheet that it shows to its students, with what stands there of this one. */
  ticks: readonly { column: TickColumn; tick: Tick | undefined }[];
  mayWrite: boolean;
}

/** Everything that stands on a student's own page. */
export interface OwnFacts {
  name: string;
  school: string;
  classes: readonly OwnClass[];
}
