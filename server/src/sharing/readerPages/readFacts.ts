import { barShape } from '@slate-path/core/attendance/roll/barShape';
import { isEnrolledOn, presenceIn, studentTotals } from '@slate-path/core/attendance/roll/totals';
import { localMoment } from '@slate-path/core/calendar/zone';
import { textForReader } from '@slate-path/core/notes/forReader';
import { shippedLevels } from '@slate-path/core/observation/sweep/levels';
import { unitOf } from '@slate-path/core/observation/tallies/countsTable';
import { displayName } from '@slate-path/core/people/names';
import type { Enrolment, HandIn, Work } from '@slate-path/core/records/schema';
import type {
  CountsOnPage,
  PageFacts,
  PieceOnPage,
  PresenceOnPage,
  StudentOnPage,
} from '@slate-path/core/sharing/readerPage/onPage';
import {
  OthersHidden,
  type Hideable,
  type SchoolNames,
} from '@slate-path/core/sharing/readerPage/othersHidden';
import type { PageSettings } from '@slate-path/core/sharing/readerPage/settings';
import { statusOf } from '@slate-path/core/work/pieceStatus';
import { knownScore } from '@slate-path/core/work/scores';
import { circlesOnPage } from './circlesOnPage';
import { classOnPage } from './classOnPage';
import { everybody, namesOf } from './namesOfSchool';
import { nodsOnPage } from './nodsOnPage';
import { observationsOnPage } from './observationsOnPage';
import { rollsOf, type RollReading } from '../../attendance/roll/readRoll';
import { RecordReader } from '../../database/readRecords';
import { countsOf, type CountReading } from '../../observation/tallies/readCounts';

export interface PageRequest {
  file: string;
  /** With whose rights it is read: what they may not see any more is on it no more. */
  madeBy: string;
  settings: PageSettings;
  until: string;
  /** Where only one class is told of. */
  sectionId?: string;
  /** Milliseconds since the epoch, by the server's clock. */
  now: number;
}

export interface PageReading {
  facts: PageFacts;
  /** Whom its texts speak of besides, and how they are shortened. */
  shortened: { name: string; as: string }[];
  /** By the school's clock. */
  today: string;
}

/** What is read once for all students of a page. */
interface Book extends PageRequest {
  reader: RecordReader;
  to: string;
  /** Now, as the school's clocks have it. */
  asOf: string;
  hidden: OthersHidden;
  rolls: RollReading;
  /** What was counted in a class, once it was read. */
  counted: Map<string, CountReading>;
}

type Classes = RollReading['classes'];

const marks = (list: readonly unknown[]) => list.map(() => '?').join(', ');
const byDate = (a: { date: string }, b: { date: string }) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0);

/** Times of a student in the classes that the maker sees. */
function enrolmentsOf(classes: Classes, studentId: string): Enrolment[] {
  return classes.flatMap(({ roll }) => roll.enrolments.filter((e) => e.studentId === studentId));
}

function presenceOnPage({ rolls }: Book, studentId: string): PresenceOnPage {
  const sum = { taken: 0, late: 0, leftEarly: 0, away: 0, excused: 0 };
  const lessons: PresenceOnPage['lessons'][number][] = [];
  for (const { roll } of rolls.classes)
    for (const enrolment of roll.enrolments.filter((e) => e.studentId === studentId)) {
      const totals = studentTotals(enrolment, roll.lessons, roll.book, rolls.now);
      for (const name of Object.keys(sum) as (keyof typeof sum)[]) sum[name] += totals[name];
      for (const lesson of roll.lessons) {
        if (lesson.removed || !isEnrolledOn(enrolment, lesson.date)) continue;
        const presence = presenceIn(lesson, studentId, roll.book);
        if (presence) lessons.push({ date: `${lesson.date}T${lesson.startsAt}`, shape: barShape(presence) });
      }
    }
  const inOrder = lessons.sort(byDate).map(({ date, shape }) => ({ date: date.slice(0, 10), shape }));
  return { ...sum, lessons: inOrder };
}

/** Read once a class, however many of its students are told of. */
function countsIn(
  { reader, madeBy, settings, now, to, rolls, counted }: Book,
  sectionId: string,
): CountReading {
  const known = counted.get(sectionId);
  if (known) return known;
  const range = { teacherId: madeBy, sectionId, from: settings.from, to, now };
  const read = countsOf(reader, range, rolls);
  counted.set(sectionId, read);
  return read;
}

function countsOnPage(book: Book, studentId: string) {
  const { settings, hidden, rolls } = book;
  const sections = [...new Set(enrolmentsOf(rolls.classes, studentId).map(({ sectionId }) => sectionId))];
  const read = sections.map((sectionId) => countsIn(book, sectionId));
  return settings.lookFors.flatMap(({ id, comment }): CountsOnPage[] => {
    const lookFor = read.flatMap(({ lookFors }) => lookFors).find((one) => one.id === id);
    if (!lookFor) return [];
    const lessons = read.flatMap(({ seen }) => {
      const observed = new Map(
        seen.exposures
          .filter((one) => one.studentId === studentId)
          .map(({ lessonId, minutes }) => [lessonId, minutes > 0]),
      );
      return seen.lessons
        .filter((lesson) => observed.has(lesson.id))
        .map((lesson) => {
          const own = seen.counts.filter(
            (count) =>
              count.lessonId === lesson.id && count.studentId === studentId && count.lookForId === id,
          );
          const sum = own.reduce((all, { amount }) => all + amount, 0) / unitOf(lookFor);
          return { date: lesson.date, value: observed.get(lesson.id) || sum > 0 ? sum : null };
        });
    });
    const { name, tone, measure } = lookFor;
    return [{ name, tone, measure, lessons: lessons.sort(byDate), comment: hidden.textOf(comment) }];
  });
}

/** Values of lessons in the page's days, in order of time. */
function courseOf({ reader, madeBy, rolls }: Book, table: 'sweep' | 'checkIn', studentId: string) {
  const lessons = rolls.classes.flatMap(({ roll }) => roll.lessons);
  const dates = new Map(lessons.filter(({ removed }) => !removed).map(({ id, date }) => [id, date]));
  const rows = reader.seenBy(madeBy, table, '"studentId" = ? AND NOT "removed"', [studentId]);
  return rows
    .flatMap((row) => {
      const date = dates.get(row.lessonId);
      const value = 'level' in row ? row.level : row.weather;
      return date !== undefined && value !== null ? [{ date, value }] : [];
    })
    .sort(byDate);
}

function scoreWords({ points }: Work, handIn: HandIn | undefined, asOf: string): string {
  if (!handIn) return '';
  const score = knownScore(handIn, asOf);
  if (score === null) return handIn.written ?? '';
  return points === null ? String(score) : `${score} / ${points}`;
}

function workOnPage({ reader, madeBy, settings, to, asOf, hidden, rolls }: Book, studentId: string) {
  const enrolments = enrolmentsOf(rolls.classes, studentId);
  const handIns = new Map(
    reader
      .seenBy(madeBy, 'handIn', '"studentId" = ? AND NOT "removed"', [studentId])
      .map((handIn) => [handIn.workId, handIn]),
  );
  return reader
    .seenBy(
      madeBy,
      'work',
      '"dueAt" BETWEEN ? AND ? AND NOT "removed" AND ("studentId" IS NULL OR "studentId" = ?)',
      [settings.from, `${to}U`, studentId],
    )
    .filter(({ sectionId, dueAt }) =>
      enrolments.some((e) => e.sectionId === sectionId && isEnrolledOn(e, (dueAt ?? '').slice(0, 10))),
    )
    .sort((a, b) => ((a.dueAt ?? '') < (b.dueAt ?? '') ? -1 : 1))
    .map((work): PieceOnPage => {
      const handIn = handIns.get(work.id);
      return {
        title: hidden.textOf(work.title),
        dueOn: work.dueAt?.slice(0, 10) ?? null,
        status: statusOf(work.dueAt, handIn, asOf),
        score: scoreWords(work, handIn, asOf),
      };
    });
}

/** The chosen notes that speak of a student. The teacher's own never go. */
function notesOnPage({ reader, madeBy, settings: { noteIds, studentIds }, hidden, rolls }: Book, of: string) {
  const zone = rolls.zone;
  const notes = reader.seenBy(
    madeBy,
    'note',
    `"id" IN (${marks(noteIds)}) AND NOT "removed" AND NOT "own" AND "id" IN (SELECT "noteId" FROM "noteStudent" WHERE "studentId" = ? AND NOT "removed") ORDER BY "at"`,
    [...noteIds, of],
  );
  return notes.map(({ id, at, text, doubts }) => {
    const links = reader
      .all('noteStudent', '"noteId" = ? AND NOT "removed"', [id])
      // Who stands on the page too may be named.
      .filter(({ studentId }) => studentId === of || !studentIds.includes(studentId));
    const mentions = links.flatMap(({ studentId, spans }) =>
      reader.all('student', '"id" = ?', [studentId]).map((student) => ({ student, spans })),
    );
    const shown = textForReader({ text, mentions, doubts }, of);
    return { date: localMoment(Date.parse(at), zone).date, text: hidden.textOf(shown) };
  });
}

function stepsOnPage({ reader, madeBy, settings: { stepIds }, hidden, rolls }: Book, studentId: string) {
  const steps = reader.seenBy(
    madeBy,
    'step',
    `"id" IN (${marks(stepIds)}) AND NOT "removed" AND "studentId" = ? ORDER BY "at"`,
    [...stepIds, studentId],
  );
  return steps.map(({ at, kind, text }) => ({
    date: localMoment(Date.parse(at), rolls.zone).date,
    text: hidden.textOf(text === '' ? kind : `${kind}: ${text}`),
  }));
}

function circlesOf({ reader, madeBy, hidden, settings, to, rolls }: Book, student: Hideable) {
  const sections = rolls.classes.map(({ section }) => section);
  const asked = { reader, madeBy, hidden, from: settings.from, to, zone: rolls.zone, sections };
  return circlesOnPage(asked, student);
}

function studentOnPage(book: Book, student: Hideable): StudentOnPage {
  const { settings, rolls } = book;
  const { id } = student;
  const own = new Set(enrolmentsOf(rolls.classes, id).map(({ sectionId }) => sectionId));
  return {
    name: displayName(student),
    classes: rolls.classes.filter(({ section }) => own.has(section.id)).map(({ section }) => section.name),
    presence: settings.presence ? presenceOnPage(book, id) : null,
    counts: settings.lookFors.length > 0 ? countsOnPage(book, id) : [],
    engagement: settings.engagement ? courseOf(book, 'sweep', id) : null,
    work: settings.work ? workOnPage(book, id) : null,
    weather: settings.weather ? courseOf(book, 'checkIn', id) : null,
    circles: settings.circles ? circlesOf(book, student) : null,
    observations: observationsOnPage({ ...book, zone: rolls.zone }, id),
    nods: settings.nods ? nodsOnPage(book, id) : null,
    notes: settings.noteIds.length > 0 ? notesOnPage(book, id) : null,
    steps: settings.stepIds.length > 0 ? stepsOnPage(book, id) : null,
  };
}

/** What is read once for all pages that are made of the same days with the same rights. */
export interface Shelf extends Omit<Book, 'settings' | 'hidden'> {
  students: Hideable[];
  names: SchoolNames;
  school: string;
  teacher: string;
  levels: readonly string[];
}

type Days = Pick<PageSettings, 'studentIds' | 'sectionId' | 'from' | 'to'>;

export function shelfOf(reader: RecordReader, request: Omit<PageRequest, 'settings'>, days: Days): Shelf {
  const { madeBy, now } = request;
  const { from } = days;
  const sectionId = days.sectionId ?? request.sectionId ?? null;
  // Of a class as a whole everybody's marks are read.
  const of = days.sectionId === null ? { studentIds: days.studentIds } : {};
  const [school] = reader.seenBy(madeBy, 'school');
  const moment = localMoment(now, school?.zone ?? 'UTC');
  const to = days.to ?? moment.date;
  const students = everybody(reader, madeBy);
  const [teacher] = reader.rows<{ name: string }>('SELECT "name" FROM "teacher" WHERE "id" = ?', [madeBy]);
  return {
    ...request,
    ...{ reader, to, students, asOf: `${moment.date}T${moment.time}`, names: namesOf(students) },
    rolls: rollsOf(reader, { teacherId: madeBy, sectionId, from, to, now, ...of }),
    counted: new Map(),
    school: school?.name ?? '',
    teacher: teacher?.name ?? '',
    levels: reader.seenBy(madeBy, 'levelNames')[0]?.names ?? shippedLevels,
  };
}

export function readingOf(shelf: Shelf, settings: PageSettings): PageReading {
  const { students, names, school, teacher, levels, until, to, asOf } = shelf;
  const hidden = new OthersHidden(names, settings.studentIds);
  const book = { ...shelf, settings, hidden };
  const onPage = settings.studentIds.flatMap((id) => students.find((one) => one.id === id) ?? []);
  const { language, from, mayWriteBack } = settings;
  const facts: PageFacts = {
    ...{ language, school, teacher, from, to, until, levels, mayWriteBack },
    summary: hidden.textOf(settings.summary),
    students: onPage.map((student) => studentOnPage(book, student)),
    section: settings.sectionId === null ? null : classOnPage(book),
  };
  const shortened = students.flatMap((student) => {
    const as = hidden.hidden.get(student.id);
    return as === undefined ? [] : [{ name: displayName(student), as }];
  });
  return { facts, shortened, today: asOf.slice(0, 10) };
}

/** What stands on a reader's page today, with the rights of whoever made it. */
export function readFacts({ settings, ...request }: PageRequest): PageReading {
  const reader = new RecordReader(request.file);
  try {
    return readingOf(shelfOf(reader, request, settings), settings);
  } finally {
    reader.close();
  }
}

/** The same for many students, a page each, of which none names another. @param all of the same days */
export function readFactsOfEach(
  request: Omit<PageRequest, 'settings'>,
  all: readonly PageSettings[],
): PageReading[] {
  const [first] = all;
  if (!first) return [];
  const reader = new RecordReader(request.file);
  try {
    const studentIds = all.flatMap((settings) => settings.studentIds);
    const shelf = shelfOf(reader, request, { ...first, studentIds });
    return all.map((settings) => readingOf(shelf, settings));
  } finally {
    reader.close();
  }
}
