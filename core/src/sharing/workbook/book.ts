import type { ClassRoll, TableCell } from '../../attendance/roll/rollTable';
import type { LocalMoment } from '../../calendar/zone';
import type { ClassCounts } from '../../observation/tallies/classCounts';
import type { NameOrder } from '../../people/names';
import type { HandIn, LookFor, Message, Section, Sweep, Work } from '../../records/schema';

/** What stands in a cell; a date is midnight UTC of a calendar day, for tables have days without a zone. */
export type BookCell = TableCell | Date;

/** A class over some days, with everything that its workbook is made of. */
export interface ClassBook {
  section: Section;
  roll: ClassRoll;
  counts: ClassCounts;
  /** Those that were counted. */
  lookFors: readonly LookFor[];
  sweeps: readonly Sweep[];
  work: readonly Work[];
  handIns: readonly HandIn[];
  messages: readonly Message[];
}

/** What is the same for all classes of a workbook. */
export interface BookFrame {
  from: string;
  to: string;
  now: LocalMoment;
  /** IANA name of the school's. */
  zone: string;
  order: NameOrder;
  /** What the four levels of engagement are called, from none on. */
  levels: readonly string[];
}

/** A day as tables know it. @param date `YYYY-MM-DD` */
export const dayCell = (date: string): Date => new Date(`${date}T00:00:00Z`);
