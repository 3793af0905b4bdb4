import { decodeText } from '../../formats/decodeText';
import { unzipWanted } from '../../formats/zip';
import { readNameList } from './nameList';
import { readDelimited, readTable, TableError, mostRows, type TableRow } from '../../formats/table';

const largestUnpackedBytes = 60_000_000;

/** Headings under which the rows of a roster are understood for certain. */
const headings = [
  'ID',
  'Given name',
  'Family name',
  'Email',
  'Grade',
  'Guardian 1 name',
  'Guardian 1 email',
  'Guardian 2 name',
  'Guardian 2 email',
];

/** The zip's users.csv; null where it is another kind of zip. */
function usersOf(bytes: Uint8Array): Uint8Array | null {
  const files = unzipWanted(bytes, (name) => /(^|\/)users\.csv$/i.test(name), largestUnpackedBytes);
  return Object.values(files)[0] ?? null;
}

interface User {
  line: number;
  cell: (column: string) => string;
}

function readUsers(bytes: Uint8Array): User[] {
  const [header, ...rows] = readDelimited(decodeText(bytes));
  const columns = header?.cells.map((cell) => cell.toLowerCase()) ?? [];
  if (!columns.includes('sourcedid') || !columns.includes('role'))
    throw new TableError('The users.csv of this zip has no columns sourcedId and role. Nothing was changed.');
  return rows
    .filter(({ cells }) => cells.some((cell) => cell !== ''))
    .map(({ line, cells }) => ({
      line,
      cell: (column) => cells[columns.indexOf(column.toLowerCase())] ?? '',
    }));
}

const removedStatus = 'tobedeleted';

/** A student's row under the headings above; guardians are the agents named in it, in their order. */
function rowOf(user: User, byId: ReadonlyMap<string, User>): TableRow {
  const agents = user
    .cell('agentSourcedIds')
    .split(',')
    .map((id) => byId.get(id.trim()))
    .filter((agent): agent is User => agent !== undefined && agent.cell('role') !== 'teacher')
    .filter((agent) => agent.cell('status') !== removedStatus);
  const guardians = [0, 1].flatMap((which) => {
    const agent = agents[which];
    const name = agent ? `${agent.cell('givenName')} ${agent.cell('familyName')}`.trim() : '';
    return [name, agent?.cell('email') ?? ''];
  });
  const { line, cell } = user;
  const own = ['sourcedId', 'givenName', 'familyName', 'email', 'grades'].map((column) => cell(column));
  return { line, cells: [...own, ...guardians] };
}

/**
 * The students of a OneRoster 1.1 CSV zip as the rows of a roster, each with its line in users.csv.
 * Teachers and other roles are nobody; who is to be deleted is left out.
 */
function oneRosterRows(users: Uint8Array): TableRow[] {
  const all = readUsers(users);
  const byId = new Map(all.map((user) => [user.cell('sourcedId'), user]));
  const students = all.filter(
    (user) => user.cell('role').toLowerCase() === 'student' && user.cell('status') !== removedStatus,
  );
  if (students.length > mostRows)
    throw new TableError(`There are ${students.length} students in this zip; a roster has at most 5,000.`);
  return [{ line: 1, cells: headings }, ...students.map((user) => rowOf(user, byId))];
}

/**
 * The rows of any roster file: a table (see `readTable`), a pasted list of names, or the zip that school systems
 * exchange.
 * @throws TableError with a sentence for what is neither
 */
export async function readRosterFile(bytes: Uint8Array): Promise<TableRow[]> {
  const zip = bytes[0] === 0x50 && bytes[1] === 0x4b && bytes.length <= 5_000_000;
  const users = zip ? usersOf(bytes) : null;
  if (users) return oneRosterRows(users);
  const table = await readTable(bytes);
  return (zip ? null : readNameList(decodeText(bytes))) ?? table;
}
