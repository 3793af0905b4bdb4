import type { BarShape } from '../../drawing/barPaths';
import type { ObservationMethod } from '../../observation/closeWatch/limits';
import type { LookFor } from '../../records/schema';
import type { PieceCounts, PieceStatus } from '../../work/pieceStatus';
import type { PageLanguage } from './language';

/** A value on a day, `YYYY-MM-DD`. */
export interface Dated {
  date: string;
  value: number;
}

export interface PresenceOnPage {
  taken: number;
  late: number;
  leftEarly: number;
  away: number;
  excused: number;
  lessons: readonly { date: string; shape: BarShape }[];
}

/** A look-for, lesson by lesson: times, minutes, or 1 where it was ticked; null where nobody looked. */
export interface CountsOnPage {
  name: string;
  tone: LookFor['tone'];
  measure: LookFor['measure'];
  lessons: readonly { date: string; value: number | null }[];
  /** What the teacher says of it. */
  comment: string;
}

export interface PieceOnPage {
  title: string;
  /** Null: without a day. */
  dueOn: string | null;
  status: PieceStatus;
  /** As it is read; empty for none. */
  score: string;
}

/** What a student is given back of one discussion. */
export interface CircleOnPage {
  date: string;
  feedback: string;
  /** Empty for none. */
  goal: string;
  isReached: boolean;
  nextGoal: string;
}

/** What was watched closely of a student, session by session. */
export interface ObservationOnPage {
  name: string;
  /** When it counts; empty where nobody said. */
  definition: string;
  method: ObservationMethod;
  /** The first is the baseline, without a name. */
  phases: readonly {
    name: string;
    startsOn: string | null;
    median: number | null;
    values: readonly Dated[];
  }[];
  observedMinutes: number;
  /** What the teacher says of it. */
  comment: string;
}

/** One student, as the reader is shown. Null: that part was not chosen. */
export interface StudentOnPage {
  name: string;
  classes: readonly string[];
  presence: PresenceOnPage | null;
  counts: readonly CountsOnPage[];
  engagement: readonly Dated[] | null;
  work: readonly PieceOnPage[] | null;
  weather: readonly Dated[] | null;
  circles: readonly CircleOnPage[] | null;
  observations: readonly ObservationOnPage[];
  /** Recognition: for what, where, and a few words. */
  nods: readonly { date: string; text: string }[] | null;
  notes: readonly { date: string; text: string }[] | null;
  steps: readonly { date: string; text: string }[] | null;
}

/** How a class was there, in sums; marks of one student who is in it twice count twice. */
export interface ClassPresenceOnPage {
  there: number;
  away: number;
  late: number;
  leftEarly: number;
  excused: number;
  /** Those taken, with how many were away. */
  lessons: readonly Dated[];
}

/** How a piece of work stands in a class. */
export interface ClassPieceOnPage extends Pick<PieceOnPage, 'title' | 'dueOn'> {
  counts: PieceCounts;
}

/** A class as a whole, nobody by name. Null: that part was not chosen. */
export interface ClassOnPage {
  name: string;
  /** In the class on the last day that is told of. */
  students: number;
  presence: ClassPresenceOnPage | null;
  counts: readonly CountsOnPage[];
  /** Where the middle student was, in each lesson in which enough were looked at. */
  engagement: readonly Dated[] | null;
  work: readonly ClassPieceOnPage[] | null;
  /** What the middle student said, in each lesson in which enough said something. */
  weather: readonly Dated[] | null;
}

/** Everything that stands on a reader's page, fit for the reader. */
export interface PageFacts {
  language: PageLanguage;
  school: string;
  teacher: string;
  from: string;
  /** The last day that is told of. */
  to: string;
  /** The last day on which the page opens. */
  until: string;
  /** What the teacher calls the four levels of engagement, from none on. */
  levels: readonly string[];
  summary: string;
  students: readonly StudentOnPage[];
  /** Told of as a whole, in place of students. */
  section: ClassOnPage | null;
  mayWriteBack: boolean;
}

/** What a page is called: those whom it tells of, or the class that it tells of as a whole. */
export const titleOf = ({ students, section }: Pick<PageFacts, 'students' | 'section'>): string =>
  section?.name ?? students.map(({ name }) => name).join(', ');
