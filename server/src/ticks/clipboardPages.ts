import type { Content } from 'pdfmake/interfaces';
import { markId } from '@slate-path/core/attendance/roll/markId';
import type { ClipboardWish } from '@slate-path/core/api/clipboard';
import { periodName } from '@slate-path/core/calendar/periodName';
import { listedFirst, offeredTo } from '@slate-path/core/observation/tallies/lookFors';
import { seatingOn } from '@slate-path/core/people/room/seatings';
import { dayIn } from '@slate-path/core/sharing/readerPage/language';
import {
  blankContents,
  rollContents,
  tallyContents,
  tickContents,
  type Contents,
} from '@slate-path/core/ticks/clipboard/contents';
import { clipboardList, clipboardPlan, type Clipboard } from '@slate-path/core/ticks/clipboard/page';
import { rollsOf } from '../attendance/roll/readRoll';
import { notRemoved, RecordReader } from '../database/readRecords';
import { pdfOf } from '../files/pdf/document';
import { drawnPages, type Drawn } from './drawnPages';
import { asRow, readSheet, type Sheet } from './readSheet';

export interface ClipboardRequest {
  file: string;
  teacherId: string;
  now: number;
  wish: ClipboardWish;
}

interface ClassHere {
  reader: RecordReader;
  request: ClipboardRequest;
  sectionId: string;
  sheet: Sheet;
}

/** The roll of the day, lesson by lesson. */
function rollOf({ reader, request, sectionId, sheet }: ClassHere): Contents {
  const { teacherId, now, wish } = request;
  const { date, filled } = wish;
  const [roll] = rollsOf(reader, { teacherId, sectionId, from: date, to: date, now }).classes;
  const [school] = reader.seenBy(teacherId, 'school', notRemoved);
  const lessons = (roll?.roll.lessons ?? [])
    .filter(({ setAside }) => !setAside)
    .map((lesson) => ({
      name: [periodName(school?.periods, lesson), lesson.startsAt].filter(Boolean).join(', '),
      taken: lesson.takenAt !== null,
      standingIds: new Map(
        sheet.students.flatMap(({ id }): [string, string][] => {
          const mark = roll?.roll.book.marks[markId(lesson.id, id)];
          return mark?.standingId ? [[id, mark.standingId]] : [];
        }),
      ),
    }));
  const standings = reader.seenBy(teacherId, 'standing').filter(({ mergedIntoId }) => mergedIntoId === null);
  return rollContents(lessons, standings, filled);
}

/** What was tallied on the day. */
function talliesOf({ reader, request: { teacherId, wish }, sectionId }: ClassHere): Contents {
  const lookFors = offeredTo(reader.seenBy(teacherId, 'lookFor', notRemoved), sectionId).sort(listedFirst);
  const ofDay = `${notRemoved} AND "lessonId" IN (SELECT "id" FROM "lesson" WHERE "sectionId" = ? AND "date" = ?)`;
  const tallies = reader.seenBy(teacherId, 'tally', ofDay, [sectionId, wish.date]);
  return tallyContents(lookFors.slice(0, wish.rows * wish.columns), tallies, wish.filled);
}

function contentsOf(here: ClassHere): Contents {
  const { contents, filled } = here.request.wish;
  if (contents === 'ticks') return tickContents(here.sheet.columns, here.sheet.ticks, filled);
  if (contents === 'roll') return rollOf(here);
  return contents === 'tallies' ? talliesOf(here) : blankContents;
}

function layoutOf({ reader, request: { teacherId, wish }, sectionId, sheet }: ClassHere): Clipboard {
  const { rows, columns, paper, back, shape, date } = wish;
  const ids = sheet.students.map(({ id }) => id);
  const boxes = { rows, columns };
  if (shape === 'list') return clipboardList(ids, { boxes, paper });
  const seatings = reader.seenBy(teacherId, 'seating', `${notRemoved} AND "sectionId" = ?`, [sectionId]);
  return clipboardPlan(ids, seatingOn(seatings, date)?.places ?? [], { boxes, paper, back });
}

/** The pages of one class, or why they cannot be. */
function pagesOf(
  reader: RecordReader,
  request: ClipboardRequest,
  sectionId: string,
): Drawn | { refused: string } {
  const { file, teacherId, now, wish } = request;
  const sheet = readSheet({ file, teacherId, sectionId, now, order: wish.order });
  const here = { reader, request, sectionId, sheet };
  const layout = layoutOf(here);
  if ('problem' in layout) return { refused: `${sheet.className}: ${layout.problem}` };
  return {
    ...{ layout, contents: contentsOf(here), className: sheet.className, school: sheet.school },
    day: dayIn('en', wish.date, true),
    names: new Map(sheet.students.map((student) => [student.id, asRow(student).name])),
  };
}

/** Pages for the clipboard, one class after another. */
export async function clipboardPages(request: ClipboardRequest): Promise<{ refused: string } | Uint8Array> {
  const reader = new RecordReader(request.file);
  const drawn: Drawn[] = [];
  try {
    for (const sectionId of request.wish.sectionIds) {
      const pages = pagesOf(reader, request, sectionId);
      if ('refused' in pages) return pages;
      drawn.push(pages);
    }
  } finally {
    reader.close();
  }
  const { paper, shape } = request.wish;
  const content: Content[] = drawnPages(drawn);
  const sheet = {
    paper,
    landscape: shape === 'plan',
    title: 'For the clipboard',
    school: drawn[0]?.school ?? '',
  };
  return pdfOf({ ...sheet, made: '', bare: true }, content);
}
