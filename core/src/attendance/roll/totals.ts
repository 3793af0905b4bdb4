import type { LocalMoment } from '../../calendar/zone';
import type { Enrolment, Lesson } from '../../records/schema';
import { rulesFor, type RollBook } from './book';
import { markId } from './markId';
import { minutesMissed, presenceOf, type Presence } from './presence';
import { rollCounts, type RollCounts } from './rollCounts';
import { defaultRules, type RollRules } from './rules';

/** What is counted of one student's lessons: plain sums, so that a year is the sum of its months. */
export interface Counts {
  /** Held while enrolled, less those set aside for all. */
  lessons: number;
  taken: number;
  notTaken: number;
  /** In time and to the end. */
  here: number;
  late: number;
  leftEarly: number;
  /** Away all of it (or of so much that the class counts it as such), excused or not. */
  away: number;
  excused: number;
  /** Lessons set aside for all, and the student's own. */
  setAside: number;
  /** Credit of the marks by themselves, before lates are counted as absences. */
  marked: number;
  minutesThere: number;
  minutesMissed: number;
  minutesLate: number;
  /** Days with any attendance, in halves. */
  days: number;
}

/** One student's attendance over some lessons; `here` + (late or left early) + `away` = `taken`. */
export interface Totals extends Counts {
  /** Absences that the lates add up to, by the class's rule. */
  awayByLates: number;
  credit: number;
  /** Credit per lesson taken, 0 to 100; null where nothing was taken. */
  percent: number | null;
}

/** Is a student of the class on that date? Both days count; null is from the beginning, to the end. */
export function isEnrolledOn(enrolment: Pick<Enrolment, 'startsOn' | 'endsOn'>, date: string): boolean {
  return (
    (enrolment.startsOn === null || enrolment.startsOn <= date) &&
    (enrolment.endsOn === null || date <= enrolment.endsOn)
  );
}

/** A lesson counts once its roll is taken, or when it is over without. */
export function wasHeld(lesson: Lesson, now: LocalMoment): boolean {
  if (lesson.takenAt !== null || lesson.date < now.date) return true;
  return lesson.date === now.date && lesson.endsAt <= now.time;
}

/** How a student was there in a lesson; null when its roll was not taken or it was set aside. */
export function presenceIn(lesson: Lesson, studentId: string, book: RollBook): Presence | null {
  if (lesson.takenAt === null || lesson.setAside) return null;
  const found = book.marks[markId(lesson.id, studentId)];
  const mark = found && !found.removed ? found : undefined;
  const standing = mark?.standingId ? book.standings[mark.standingId] : undefined;
  return presenceOf(lesson, mark, standing, rulesFor(book, lesson.sectionId));
}

const countNames = [
  'lessons',
  'taken',
  'notTaken',
  'here',
  'late',
  'leftEarly',
  'away',
  'excused',
  'setAside',
  'marked',
  'minutesThere',
  'minutesMissed',
  'minutesLate',
  'days',
] as const satisfies readonly (keyof Counts)[];

function emptyCounts(): Counts {
  return Object.fromEntries(countNames.map((name) => [name, 0])) as unknown as Counts;
}

function addPresence(counts: Counts, presence: Presence): void {
  if (presence.setAside) {
    counts.setAside += 1;
    return;
  }
  counts.taken += 1;
  counts.marked += presence.credit;
  counts.minutesThere += presence.minutesThere;
  counts.minutesMissed += minutesMissed(presence);
  counts.minutesLate += presence.minutesLate;
  if (presence.away) counts.away += 1;
  if (presence.away && presence.excused) counts.excused += 1;
  if (presence.late) counts.late += 1;
  if (presence.leftEarly) counts.leftEarly += 1;
  if (!presence.away && !presence.late && !presence.leftEarly) counts.here += 1;
}

/** Sums of thirds and tenths come out the same in whatever order they are added. */
const exact = (value: number) => Math.round(value * 1e6) / 1e6;

/**
 * Adds up counts and applies the class's rules to the sum: three lates are one absence in a term,
 * not in each of its months.
 */
export function totalsOf(parts: readonly Counts[], rules: RollRules = defaultRules): Totals {
  const sum = emptyCounts();
  for (const part of parts) for (const name of countNames) sum[name] += part[name];
  sum.marked = exact(sum.marked);
  const { latesPerAbsence } = rules;
  const awayByLates = latesPerAbsence === null ? 0 : Math.floor(sum.late / latesPerAbsence);
  const credit = Math.max(exact(sum.marked - awayByLates), 0);
  return { ...sum, awayByLates, credit, percent: sum.taken === 0 ? null : (credit / sum.taken) * 100 };
}

/** A day attended is a whole one, or a half where the student was there no longer than a half day. */
function daysOf(minutesByDate: ReadonlyMap<string, number>, { halfDayMinutes }: RollRules): number {
  const attended = [...minutesByDate.values()].filter((minutes) => minutes > 0);
  const halves = attended.filter((minutes) => halfDayMinutes !== null && minutes <= halfDayMinutes);
  return attended.length - halves.length / 2;
}

/**
 * A student's totals in one class over some of its lessons. Rates are over lessons taken while
 * enrolled; lessons not taken are reported, never counted as attended.
 * @param lessons of one class, any order; removed ones count nowhere
 */
export function studentTotals(
  enrolment: Pick<Enrolment, 'studentId' | 'startsOn' | 'endsOn'>,
  lessons: readonly Lesson[],
  book: RollBook,
  now: LocalMoment,
): Totals {
  const counts = emptyCounts();
  const minutesByDate = new Map<string, number>();
  for (const lesson of lessons) {
    if (lesson.removed || !isEnrolledOn(enrolment, lesson.date)) continue;
    if (lesson.setAside) {
      counts.setAside += 1;
      continue;
    }
    if (!wasHeld(lesson, now)) continue;
    counts.lessons += 1;
    const presence = presenceIn(lesson, enrolment.studentId, book);
    if (!presence) {
      counts.notTaken += 1;
      continue;
    }
    addPresence(counts, presence);
    minutesByDate.set(lesson.date, (minutesByDate.get(lesson.date) ?? 0) + presence.minutesThere);
  }
  const rules = lessons[0] ? rulesFor(book, lessons[0].sectionId) : defaultRules;
  counts.days = daysOf(minutesByDate, rules);
  return totalsOf([counts], rules);
}

/** How a class stood in one lesson; null when its roll was not taken or it was set aside. */
export function lessonCounts(
  lesson: Lesson,
  enrolments: readonly Pick<Enrolment, 'studentId' | 'startsOn' | 'endsOn'>[],
  book: RollBook,
): RollCounts | null {
  if (lesson.takenAt === null || lesson.setAside) return null;
  const enrolled = enrolments.filter((enrolment) => isEnrolledOn(enrolment, lesson.date));
  return rollCounts(enrolled.flatMap(({ studentId }) => presenceIn(lesson, studentId, book) ?? []));
}
