import type { PaperSize } from '../../sharing/papers/sizes';

/** Everything in millimetres from the upper left corner of the sheet. */
export interface Area {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Somebody's name over their numbered boxes. */
export interface Block extends Area {
  studentId: string;
  /** Where the name stands. */
  name: Area;
  /** In the order of their numbers, from 1. */
  boxes: Area[];
}

export interface LegendLine extends Area {
  number: number;
}

export interface ClipboardPage {
  blocks: Block[];
  legend: LegendLine[];
  /** Where the front of the room is said; null on a list. */
  front: Area | null;
}

/** A page for the clipboard, or the sentence that says why so many boxes do not stand on it. */
export type Clipboard =
  { width: number; height: number; heading: Area; pages: ClipboardPage[] } | { problem: string };

export const leastBox = 5;
export const mostBoxes = 30;
/** A box that could be larger is not: what is written by hand needs no more. */
const largestBox = 10;
const margin = 8;
const headingHeight = 10;
const frontHeight = 5;
const nameHeight = 4.5;
const legendLine = { height: 4.6, narrowest: 42 };
const sheets: Record<PaperSize, readonly [short: number, long: number]> = {
  A4: [210, 297],
  Letter: [215.9, 279.4],
};

/** Rows and columns of boxes of each student. */
export interface BoxRows {
  rows: number;
  columns: number;
}

interface Sheet {
  width: number;
  height: number;
  heading: Area;
  /** Between heading and legend. */
  inside: Area;
  legend: LegendLine[];
}

function sheetOf(paper: PaperSize, landscape: boolean, boxes: number): Sheet {
  const [short, long] = sheets[paper];
  const [width, height] = landscape ? [long, short] : [short, long];
  const room = width - 2 * margin;
  const perRow = Math.max(1, Math.min(Math.floor(room / legendLine.narrowest), boxes));
  const lines = Math.ceil(boxes / perRow);
  const legendTop = height - margin - lines * legendLine.height;
  const legend = Array.from({ length: boxes }, (_, at): LegendLine => {
    // Down the columns, as one reads a list.
    const [column, line] = [Math.floor(at / lines), at % lines];
    const own = room / perRow;
    return {
      ...{ number: at + 1, x: margin + column * own, y: legendTop + line * legendLine.height },
      ...{ width: own - 4, height: legendLine.height },
    };
  });
  const top = margin + headingHeight;
  return {
    ...{ width, height, legend },
    heading: { x: margin, y: margin, width: room, height: headingHeight },
    inside: { x: margin, y: top, width: room, height: legendTop - top - 2 },
  };
}

const atLeast = (size: number) => size >= leastBox - 1e-6;

/** How large the boxes of a block are. */
function boxSize({ width, height }: Pick<Area, 'width' | 'height'>, { rows, columns }: BoxRows) {
  return {
    width: Math.min(width / columns, largestBox),
    height: Math.min((height - nameHeight) / rows, largestBox),
  };
}

function blockIn(area: Area, studentId: string, boxes: BoxRows): Block {
  const size = boxSize(area, boxes);
  return {
    ...area,
    studentId,
    name: { x: area.x, y: area.y, width: area.width, height: nameHeight },
    boxes: Array.from({ length: boxes.rows * boxes.columns }, (_, at) => ({
      x: area.x + (at % boxes.columns) * size.width,
      y: area.y + nameHeight + Math.floor(at / boxes.columns) * size.height,
      ...size,
    })),
  };
}

/** Where a student sits: columns from the left, rows from the front, as the teacher faces the class. */
export interface SeatOf {
  studentId: string;
  x: number;
  y: number;
}

/** Places along one direction: each as wide as the others, a little apart where nothing stands between. */
function along(cells: readonly number[], room: number, between: number, wide: number) {
  const sorted = [...new Set(cells)].sort((a, b) => a - b);
  const gaps = sorted.slice(1).map((cell, at) => (cell - (sorted[at] ?? cell) > 1 ? wide : between));
  const size = (room - gaps.reduce((sum, gap) => sum + gap, 0)) / Math.max(sorted.length, 1);
  let at = 0;
  const starts = new Map<number, number>();
  sorted.forEach((cell, index) => {
    starts.set(cell, at);
    at += size + (gaps[index] ?? 0);
  });
  return { size, starts };
}

const close = 1;
/** Where seats stand apart: less where it is tight. */
const apart = [4, 2, 1.2];

function planned(seats: readonly SeatOf[], inside: Area, boxes: BoxRows): Block[] | null {
  for (const wide of apart) {
    const across = along(
      seats.map(({ x }) => x),
      inside.width,
      close,
      wide,
    );
    const down = along(
      seats.map(({ y }) => y),
      inside.height,
      close,
      wide,
    );
    const size = boxSize({ width: across.size, height: down.size }, boxes);
    if (!atLeast(size.width) || !atLeast(size.height)) continue;
    const rows = Math.max(...down.starts.values());
    return seats.map(({ studentId, x, y }) => {
      // The front row is the nearest to whoever holds the page.
      const [left, up] = [across.starts.get(x) ?? 0, rows - (down.starts.get(y) ?? 0)];
      const area = { x: inside.x + left, y: inside.y + up, width: across.size, height: down.size };
      return blockIn(area, studentId, boxes);
    });
  }
  return null;
}

/** Seats in rows for those who have none: as many across as leave the largest boxes. */
function gridOf(studentIds: readonly string[], inside: Area, boxes: BoxRows): SeatOf[] {
  const sizes = Array.from({ length: 12 }, (_, index) => index + 1).map((across) => {
    const rows = Math.ceil(studentIds.length / across);
    const size = boxSize(
      { width: inside.width / across - close, height: inside.height / rows - close },
      boxes,
    );
    return { across, least: Math.min(size.width, size.height) };
  });
  const best = sizes.reduce((a, b) => (b.least > a.least + 1e-9 ? b : a));
  const rows = Math.ceil(studentIds.length / best.across);
  // Read from the upper left corner, though rows are counted from the front.
  return studentIds.map((studentId, at) => ({
    ...{ studentId, x: at % best.across },
    y: rows - 1 - Math.floor(at / best.across),
  }));
}

/** Those without a seat stand in rows of their own behind the others. */
function withUnseated(seats: readonly SeatOf[], unseated: readonly string[]): SeatOf[] {
  if (unseated.length === 0) return [...seats];
  const xs = [...new Set(seats.map(({ x }) => x))].sort((a, b) => a - b);
  const behind = Math.max(...seats.map(({ y }) => y)) + 2;
  const more = unseated.map((studentId, at) => ({
    ...{ studentId, x: xs[at % xs.length] ?? 0 },
    y: behind + Math.floor(at / xs.length),
  }));
  return [...seats, ...more];
}

const tooMany = ({ rows, columns }: BoxRows, students: number, what: string): string =>
  `${rows} × ${columns} boxes for each of ${students} do not stand on ${what}: they would be smaller than ${leastBox} mm. Take fewer, or the list.`;

/**
 * The class as it sits, each student with numbered boxes, on one sheet held sideways; with nobody seated, in rows by name.
 * Boxes are at least 5 mm wide and high.
 * @param seats of those who have one @param studentIds everybody, in the order of names
 * @param back as it is seen from the back of the room
 */
export function clipboardPlan(
  studentIds: readonly string[],
  seats: readonly SeatOf[],
  { boxes, paper, back }: { boxes: BoxRows; paper: PaperSize; back: boolean },
): Clipboard {
  const { inside, legend, ...sheet } = sheetOf(paper, true, boxes.rows * boxes.columns);
  const known = new Set(studentIds);
  const own = seats.filter(({ studentId }) => known.has(studentId));
  const seated = new Set(own.map(({ studentId }) => studentId));
  const isPlan = own.length > 0;
  const room = isPlan
    ? { ...inside, height: inside.height - frontHeight, ...(back ? { y: inside.y + frontHeight } : {}) }
    : inside;
  const placed = isPlan
    ? withUnseated(
        own,
        studentIds.filter((id) => !seated.has(id)),
      )
    : gridOf(studentIds, inside, boxes);
  const seen = isPlan && back ? placed.map(({ studentId, x, y }) => ({ studentId, x: -x, y: -y })) : placed;
  const blocks = studentIds.length === 0 ? [] : planned(seen, room, boxes);
  if (!blocks) return { problem: tooMany(boxes, studentIds.length, `one sheet of ${paper}`) };
  const front = { ...inside, y: back ? inside.y : room.y + room.height, height: frontHeight };
  return { ...sheet, pages: [{ blocks, legend, front: isPlan ? front : null }] };
}

const listName = 40;

/**
 * The class as a list, a line for each student with all boxes beside each other; as many sheets as it takes.
 * Boxes are at least 5 mm wide and high. @param studentIds in the order of names
 */
export function clipboardList(
  studentIds: readonly string[],
  { boxes: { rows, columns }, paper }: { boxes: BoxRows; paper: PaperSize },
): Clipboard {
  const count = rows * columns;
  const { inside, legend, ...sheet } = sheetOf(paper, false, count);
  const room = inside.width - listName;
  const width = Math.min(room / count, largestBox);
  if (!atLeast(width))
    return { problem: tooMany({ rows, columns }, studentIds.length, `a line of ${paper}`) };
  const perPage = Math.floor(inside.height / (leastBox + 0.4));
  const sheets = Math.max(1, Math.ceil(studentIds.length / perPage));
  const onEach = Math.ceil(studentIds.length / sheets);
  const height = Math.min(inside.height / Math.max(onEach, 1), largestBox);
  const pages = Array.from({ length: sheets }, (_, page): ClipboardPage => {
    const own = studentIds.slice(page * onEach, (page + 1) * onEach);
    const blocks = own.map((studentId, line): Block => {
      const y = inside.y + line * height;
      return {
        ...{ studentId, x: inside.x, y, width: inside.width, height },
        name: { x: inside.x, y, width: listName - 1, height },
        boxes: Array.from({ length: count }, (_box, at) => ({
          ...{ x: inside.x + listName + at * width, y, width, height: height - 0.2 },
        })),
      };
    });
    return { blocks, legend, front: null };
  });
  return { ...sheet, pages };
}
