import { decodeText } from '../../formats/decodeText';
import { readDelimited } from '../../formats/table';
import { unzipWanted } from '../../formats/zip';
import { readScore } from './cellWords';
import { readLocalMoment } from './localMoment';
import { People } from './people';
import { lateAt, Pieces } from './readHandIns';
import type { HandInRead, LineSaid, WorkReading } from './reading';

const largestUnpackedBytes = 200_000_000;
const fileNames = ['lineitems.csv', 'results.csv', 'users.csv'] as const;
type FileName = (typeof fileNames)[number];

/** A row by the names of its columns, lower case. */
interface Row {
  line: number;
  cell: (column: string) => string;
}

const baseName = (name: string) => name.toLowerCase().split('/').at(-1) ?? '';

/** The files of a OneRoster gradebook; null where the zip is another kind. */
function filesOf(bytes: Uint8Array): Partial<Record<FileName, Uint8Array>> | null {
  const isWanted = (name: string) => (fileNames as readonly string[]).includes(baseName(name));
  const found = Object.entries(unzipWanted(bytes, isWanted, largestUnpackedBytes));
  const files: Partial<Record<FileName, Uint8Array>> = Object.fromEntries(
    found.map(([name, content]) => [baseName(name), content]),
  );
  return files['lineitems.csv'] ? files : null;
}

const removed = 'tobedeleted';

function rowsOf(bytes: Uint8Array | undefined): Row[] {
  if (!bytes) return [];
  const [header, ...rows] = readDelimited(decodeText(bytes));
  const columns = header?.cells.map((cell) => cell.toLowerCase()) ?? [];
  return rows
    .filter(({ cells }) => cells.some((cell) => cell !== ''))
    .map(({ line, cells }): Row => ({
      line,
      cell: (column) => (cells[columns.indexOf(column)] ?? '').trim(),
    }))
    .filter(({ cell }) => cell('status').toLowerCase() !== removed);
}

/** A date, or a moment, of the school; a date alone is its end, or its beginning. */
function momentOf(written: string, zone: string, at: 'begin' | 'end'): string | null {
  if (/^\d{4}-\d{2}-\d{2}$/.test(written)) return `${written}T${at === 'end' ? '23:59:00' : '00:00:00'}`;
  const read = readLocalMoment(written, { zone, order: 'day_first' });
  return 'at' in read ? read.at : null;
}

const isTrue = (cell: string) => cell.toLowerCase() === 'true';

/** How one student’s part came: `scoreStatus` of 1.1, and the marks that 1.2 has beside it. */
function handInOf(
  row: Row,
  dueAt: string | null,
  zone: string,
): Omit<HandInRead, 'person' | 'piece' | 'line'> {
  const status = row.cell('scorestatus').toLowerCase();
  const score = readScore(row.cell('score'))?.score ?? null;
  const inWords = row.cell('textscore').slice(0, 40).trim();
  const written = score === null && inWords !== '' ? inWords : undefined;
  const nothing = { handedInAt: null, handedBackAt: null, score: null };
  if (status === 'exempt') return { status: 'excused', ...nothing };
  if (status === 'not submitted' || isTrue(row.cell('missing')))
    return { status: 'missing', ...nothing, score, written };
  const handedInAt = isTrue(row.cell('late')) ? lateAt(dueAt) : null;
  // A score that is final was given on that day.
  const back = status === 'fully graded' ? momentOf(row.cell('scoredate'), zone, 'end') : null;
  return {
    status: 'handed_in',
    handedInAt,
    handedBackAt: back !== null && back < (handedInAt ?? '') ? null : back,
    ...{ score, written },
  };
}

/**
 * Reads the gradebook of a OneRoster CSV zip, 1.1 or 1.2: `lineItems.csv` and `results.csv`, with the names and addresses
 * of `users.csv` where it is there. @returns null where the zip is no gradebook
 */
export function readOneRosterGrades(bytes: Uint8Array, zone: string): WorkReading | null {
  const files = filesOf(bytes);
  if (!files) return null;
  const users = new Map(rowsOf(files['users.csv']).map((row) => [row.cell('sourcedid'), row]));
  const people = new People();
  const pieces = new Pieces();
  const leftOut: LineSaid[] = [];
  const indexOf = new Map<string, number>();
  for (const row of rowsOf(files['lineitems.csv'])) {
    const title = row.cell('title');
    if (title === '') {
      leftOut.push({ line: row.line, reason: 'lineItems.csv: it has no title' });
      continue;
    }
    const dueAt = momentOf(row.cell('duedate'), zone, 'end');
    const assignedAt = momentOf(row.cell('assigndate'), zone, 'begin');
    const points = readScore(row.cell('resultvaluemax'))?.score ?? null;
    const isOrdered = assignedAt === null || dueAt === null || assignedAt <= dueAt;
    const piece = { title: title.slice(0, 200), assignedAt: isOrdered ? assignedAt : null, dueAt };
    indexOf.set(
      row.cell('sourcedid'),
      pieces.add({ ...piece, points: points && points > 0 ? points : null }),
    );
  }
  const handIns = rowsOf(files['results.csv']).flatMap((row): HandInRead[] => {
    const piece = indexOf.get(row.cell('lineitemsourcedid'));
    const id = row.cell('studentsourcedid');
    if (piece === undefined || id === '') {
      leftOut.push({ line: row.line, reason: 'results.csv: it points at no line item or at nobody' });
      return [];
    }
    const user = users.get(id);
    const name = user ? `${user.cell('givenname')} ${user.cell('familyname')}`.trim() : '';
    const person = people.add(
      { name, email: user?.cell('email').toLowerCase() ?? '', schoolId: id },
      row.line,
    );
    return [{ person, piece, ...handInOf(row, pieces.list[piece]?.dueAt ?? null, zone), line: row.line }];
  });
  return {
    shape: 'hand_ins',
    ...{ columns: [], people: people.list, actions: [], pieces: pieces.list, handIns, leftOut, told: [] },
    ...{ order: 'day_first', orderUnsure: false },
  };
}
