import { isEnrolledOn, lessonCounts } from '@slate-path/core/attendance/roll/totals';
import { unitOf } from '@slate-path/core/observation/tallies/countsTable';
import { fewestUnnamed } from '@slate-path/core/sharing/readerPage/limits';
import type {
  ClassOnPage,
  ClassPieceOnPage,
  ClassPresenceOnPage,
  CountsOnPage,
  Dated,
} from '@slate-path/core/sharing/readerPage/onPage';
import type { OthersHidden } from '@slate-path/core/sharing/readerPage/othersHidden';
import type { PageSettings } from '@slate-path/core/sharing/readerPage/settings';
import { lowerMedian } from '@slate-path/core/statistics/median';
import { countStatuses, statusOf } from '@slate-path/core/work/pieceStatus';
import type { RollReading } from '../../attendance/roll/readRoll';
import type { RecordReader } from '../../database/readRecords';
import { countsOf } from '../../observation/tallies/readCounts';

interface Asked {
  reader: RecordReader;
  madeBy: string;
  settings: PageSettings;
  hidden: OthersHidden;
  /** The last day that is told of, and now, as the school's clocks have it. */
  to: string;
  asOf: string;
  now: number;
  rolls: RollReading;
}

type Told = RollReading['classes'][number];

const byDate = (a: Dated, b: Dated) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0);

function presenceOf({ roll }: Told): ClassPresenceOnPage {
  const sum = { there: 0, away: 0, late: 0, leftEarly: 0, excused: 0 };
  const lessons = roll.lessons.flatMap((lesson): Dated[] => {
    const counts = lesson.removed ? null : lessonCounts(lesson, roll.enrolments, roll.book);
    if (!counts) return [];
    for (const name of Object.keys(sum) as (keyof typeof sum)[]) sum[name] += counts[name];
    return [{ date: lesson.date, value: counts.away }];
  });
  return { ...sum, lessons: lessons.sort(byDate) };
}

function countsOnPage({ reader, madeBy, settings, hidden, to, now, rolls }: Asked, { section }: Told) {
  const range = { teacherId: madeBy, sectionId: section.id, from: settings.from, to, now };
  const { seen, lookFors } = countsOf(reader, range, rolls);
  return settings.lookFors.flatMap(({ id, comment }): CountsOnPage[] => {
    const lookFor = lookFors.find((one) => one.id === id);
    if (!lookFor) return [];
    const { name, tone, measure } = lookFor;
    const lessons = seen.lessons.map((lesson) => {
      const own = seen.counts.filter((count) => count.lessonId === lesson.id && count.lookForId === id);
      const sum = own.reduce((all, { amount }) => all + amount, 0);
      return { date: lesson.date, value: sum / unitOf(lookFor) };
    });
    return [{ name: hidden.textOf(name), tone, measure, lessons, comment: hidden.textOf(comment) }];
  });
}

/** The middle of what was said or seen in each lesson, where enough students were looked at to hide each of them. */
function middleOf({ reader, madeBy }: Asked, { roll }: Told, table: 'sweep' | 'checkIn'): Dated[] {
  return roll.lessons
    .flatMap(({ id, date, removed }): Dated[] => {
      if (removed) return [];
      const rows = reader.seenBy(madeBy, table, '"lessonId" = ? AND NOT "removed"', [id]);
      const values = rows.flatMap((row) => ('level' in row ? row.level : row.weather) ?? []);
      const middle = values.length < fewestUnnamed ? null : lowerMedian(values);
      return middle === null ? [] : [{ date, value: middle }];
    })
    .sort(byDate);
}

function workOnPage({ reader, madeBy, settings, hidden, to, asOf }: Asked, { section, roll }: Told) {
  return reader
    .seenBy(
      madeBy,
      'work',
      '"sectionId" = ? AND "studentId" IS NULL AND NOT "removed" AND "dueAt" BETWEEN ? AND ? ORDER BY "dueAt"',
      [section.id, settings.from, `${to}U`],
    )
    .map((work): ClassPieceOnPage => {
      const handIns = reader.seenBy(madeBy, 'handIn', '"workId" = ? AND NOT "removed"', [work.id]);
      const of = new Map(handIns.map((handIn) => [handIn.studentId, handIn]));
      const dueOn = work.dueAt?.slice(0, 10) ?? null;
      const members = new Set(
        roll.enrolments.filter((e) => isEnrolledOn(e, dueOn ?? to)).map(({ studentId }) => studentId),
      );
      const statuses = [...members].map((id) => statusOf(work.dueAt, of.get(id), asOf));
      return { title: hidden.textOf(work.title), dueOn, counts: countStatuses(statuses) };
    });
}

/** A class as its reader is shown it: sums, and nobody by name. Null where its maker does not see it any more. */
export function classOnPage(asked: Asked): ClassOnPage | null {
  const { settings, rolls, to } = asked;
  const told = rolls.classes.find(({ section }) => section.id === settings.sectionId);
  if (!told) return null;
  const { section, roll } = told;
  const members = roll.enrolments.filter((enrolment) => isEnrolledOn(enrolment, to));
  return {
    name: section.name,
    students: new Set(members.map(({ studentId }) => studentId)).size,
    presence: settings.presence ? presenceOf(told) : null,
    counts: settings.lookFors.length > 0 ? countsOnPage(asked, told) : [],
    engagement: settings.engagement ? middleOf(asked, told, 'sweep') : null,
    work: settings.work ? workOnPage(asked, told) : null,
    weather: settings.weather ? middleOf(asked, told, 'checkIn') : null,
  };
}
