import type { DateOrder } from '../../attendance/participants/moment';
import type { WorkRole } from './headingRoles';

/** Somebody in a file, as written there. */
export interface PersonWritten {
  written: string;
  name: string;
  email: string;
  schoolId: string;
  /** The lines on which they stand, the first ones. */
  lines: number[];
}

/** An action of somebody in a file. */
export interface ActionRead {
  /** Index of the person. */
  person: number;
  /** Local to the school, `YYYY-MM-DDTHH:MM:SS`. */
  at: string;
  kind: string;
  place: string;
  object: string;
  seconds: number | null;
  /** What the file itself calls it, where it does: a statement's id. */
  ref: string | null;
  line: number;
}

export interface PieceRead {
  title: string;
  assignedAt: string | null;
  dueAt: string | null;
  points: number | null;
}

export interface HandInRead {
  person: number;
  piece: number;
  status: 'handed_in' | 'missing' | 'excused';
  handedInAt: string | null;
  handedBackAt: string | null;
  score: number | null;
  /** A score in letters or words, as it was written. */
  written?: string | undefined;
  /** The score as a share of the points of the piece, 0 to 1, where that is what is known. */
  share?: number | undefined;
  line: number;
}

/** A row that is left out, or that is kept and told of. */
export interface LineSaid {
  line: number;
  reason: string;
}

/** How a file about work or activity is understood. */
export interface WorkReading {
  shape: 'activity' | 'hand_ins' | 'pieces' | 'grade_book';
  /** Columns with what they are taken for; null is a piece of work of a grade book, or nothing known. */
  columns: { heading: string; role: WorkRole | null }[];
  people: PersonWritten[];
  actions: ActionRead[];
  pieces: PieceRead[];
  handIns: HandInRead[];
  /** Pieces that are not there yet are not made of it: not everything that has a score is a piece of work. */
  onlyKnown?: boolean | undefined;
  leftOut: LineSaid[];
  /** Kept, though something is odd. */
  told: LineSaid[];
  /** Which number of 3/4 is the day, and whether the file itself says so. */
  order: DateOrder;
  orderUnsure: boolean;
}

export interface ReadingOptions {
  /** IANA name of the school's zone. */
  zone: string;
  /** What was answered about 3/4. */
  order?: DateOrder | undefined;
}
