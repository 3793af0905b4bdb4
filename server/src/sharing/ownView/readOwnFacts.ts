import { addDays } from '@slate-path/core/calendar/localTime';
import { localMoment } from '@slate-path/core/calendar/zone';
import { rulesFor } from '@slate-path/core/attendance/roll/book';
import type { Standing } from '@slate-path/core/records/schema';
import type { CountingOnPage, OwnClass, OwnFacts } from '@slate-path/core/sharing/ownView/onPage';
import type { PageSettings } from '@slate-path/core/sharing/readerPage/settings';
import type { PieceOnPage } from '@slate-path/core/sharing/readerPage/onPage';
import { inSheetOrder } from '@slate-path/core/ticks/sheetTable';
import { notRemoved, RecordReader } from '../../database/readRecords';
import { readingOf, shelfOf, type Shelf } from '../readerPages/readFacts';
import type { OpenClass } from './cards';

export interface OwnPageRequest {
  file: string;
  studentId: string;
  /** The classes that show something, each with whose rights it is read. */
  classes: readonly OpenClass[];
  now: number;
}

/** Outside of a term a page tells of so many days. */
const daysWithoutTerm = 84;

function firstDay(reader: RecordReader, personId: string, today: string): string {
  const terms = reader.seenBy(personId, 'term', 'NOT "removed"');
  const term = terms.find(({ startsOn, endsOn }) => startsOn <= today && today <= endsOn);
  return term?.startsOn ?? addDays(today, 1 - daysWithoutTerm);
}

/** What is chosen in the words of a reader's page: that reads and shows attendance, work and inner weather. */
const pageSettings = (
  { settings }: OpenClass,
  studentId: string,
  from: string,
  to: string,
): PageSettings => ({
  ...{
    studentIds: [studentId],
    sectionId: null,
    reader: '',
    relation: 'other',
    language: settings.language,
    from,
    to,
  },
  ...{
    presence: settings.presence,
    work: settings.work,
    weather: settings.weather,
    circles: settings.circles,
    nods: settings.nods,
  },
  engagement: false,
  ...{ lookFors: [], observations: [], noteIds: [], stepIds: [], summary: '', mayWriteBack: settings.words },
});

function countingIn({ reader, madeBy, rolls }: Shelf, sectionId: string): CountingOnPage | null {
  const roll = rolls.classes.find(({ section }) => section.id === sectionId)?.roll;
  if (!roll) return null;
  const standings: Standing[] = reader
    .seenBy(madeBy, 'standing', 'NOT "removed"')
    .filter(({ mergedIntoId }) => mergedIntoId === null);
  return { standings, rules: rulesFor(roll.book, sectionId) };
}

/** What the class shows its students of its tick-sheet. */
function ticksOf({ reader, madeBy }: Shelf, sectionId: string, studentId: string): OwnClass['ticks'] {
  const shown = `${notRemoved} AND "shown" AND "sectionId" = ?`;
  const columns = reader.seenBy(madeBy, 'tickColumn', shown, [sectionId]).sort(inSheetOrder);
  const ticks = reader.seenBy(madeBy, 'tick', `${notRemoved} AND "studentId" = ?`, [studentId]);
  return columns.map((column) => ({ column, tick: ticks.find(({ columnId }) => columnId === column.id) }));
}

/** What is owed stands first, then what is to come. */
const owed: readonly PieceOnPage['status'][] = ['missing', 'not_due'];
const place = ({ status }: PieceOnPage) => (owed.includes(status) ? owed.indexOf(status) : owed.length);

function classOf(reader: RecordReader, open: OpenClass, request: OwnPageRequest): OwnClass | null {
  const { file, studentId, now } = request;
  const { sectionId, setBy, settings } = open;
  const [school] = reader.seenBy(setBy, 'school');
  const today = localMoment(now, school?.zone ?? 'UTC').date;
  const from = firstDay(reader, setBy, today);
  const page = pageSettings(open, studentId, from, today);
  const shelf = shelfOf(reader, { file, madeBy: setBy, until: '', sectionId, now }, page);
  const { facts } = readingOf(shelf, page);
  const [student] = facts.students;
  const [section] = reader.all('section', '"id" = ?', [sectionId]);
  if (!student || !section) return null;
  const work = student.work && student.work.toSorted((a, b) => place(a) - place(b));
  return {
    ...{ sectionId, name: section.name, teacher: shelf.teacher, language: settings.language },
    ...{ from, to: today, levels: facts.levels, mayWrite: settings.words },
    student: { ...student, work },
    ticks: ticksOf(shelf, sectionId, studentId),
    counting: settings.presence ? countingIn(shelf, sectionId) : null,
  };
}

/** What a student's own page shows today, each class with the rights of whoever opened it to them. */
export function readOwnFacts(request: OwnPageRequest): OwnFacts {
  const reader = new RecordReader(request.file);
  try {
    const classes = request.classes.flatMap((open) => classOf(reader, open, request) ?? []);
    const [open] = request.classes;
    const [school] = open ? reader.seenBy(open.setBy, 'school') : [];
    return { name: classes[0]?.student.name ?? '', school: school?.name ?? '', classes };
  } finally {
    reader.close();
  }
}
