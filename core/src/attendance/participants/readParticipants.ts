import type { TableRow } from '../../formats/table';
import { TableError } from '../../formats/table';
import { groupBy } from '../../records/groupBy';
import { roleOfHeading } from '../../people/roster/headings';
import { emailShape, splitRecipients } from './recipients';
import { rolesOfTimes } from './timeColumns';
import { dateOrderOf, readDuration, readMoment, type DateOrder, type WrittenMoment } from './moment';
import { personKey } from './personKey';

/** One line of a participant list: somebody, joining once. */
export interface Participant {
  line: number;
  /** The entry as it was written. */
  written: string;
  name: string;
  email: string;
  schoolId: string;
  joined: WrittenMoment | null;
  left: WrittenMoment | null;
}

export interface ParticipantReading {
  participants: Participant[];
  leftOut: { line: number; text: string; reason: string }[];
  /** Minutes east of UTC that the list says of all its times; null where it says nothing. */
  offset: number | null;
  /** 3/4/2026 could be two days, and nothing says which. */
  dateOrderUnsure: boolean;
}

type Role =
  | 'name'
  | 'given_name'
  | 'family_name'
  | 'email'
  | 'id'
  | 'joined'
  | 'left'
  | 'duration'
  /** Of what, is told by its cells beside those of others. */
  | 'time'
  | 'ignored';

function roleOfTitle(title: string): Role | null {
  const words = title.toLowerCase().replace(/[_./()#:-]+/g, ' ');
  if (/\b(duration|minutes|mins|seconds|time in|attended for|length|total time)\b/.test(words))
    return 'duration';
  if (/\b(join(ed)?|arriv(ed|al)|enter(ed)?|check ?in|log ?in|started?|from|first seen|in)\b/.test(words))
    return 'joined';
  if (
    /\b(leave|left|exit(ed)?|depart(ed|ure)?|check ?out|log ?out|end(ed)?|until|to|last seen|out)\b/.test(
      words,
    )
  )
    return 'left';
  if (/\b(attendee|participant|display name|who)s?\b/.test(words) && !/\b(id|e ?mail)\b/.test(words))
    return 'name';
  const role = roleOfHeading(title);
  const known: readonly (string | null)[] = ['name', 'given_name', 'family_name', 'email', 'id'];
  return known.includes(role) ? (role as Role) : null;
}

interface Table {
  roles: Role[];
  titles: string[];
  rows: TableRow[];
}

const filled = (row: TableRow) => row.cells.filter((cell) => cell !== '');

/** A heading: at least two known titles, or one that stands alone, and nothing that is somebody or some time. */
function headingOf(row: TableRow): Role[] | null {
  const cells = filled(row);
  const saysMore = (cell: string) =>
    emailShape.test(cell) || /:\s*\S|^\d/.test(cell) || readMoment(cell, 'day_first') !== null;
  if (cells.some(saysMore)) return null;
  const roles = row.cells.map((cell) => (cell.length > 0 && cell.length < 40 ? roleOfTitle(cell) : null));
  const known = roles.filter((role) => role !== null).length;
  const names = roles.some((role) => role === 'name' || role === 'given_name' || role === 'email');
  const enough = known >= 2 || (known === 1 && cells.length === 1);
  // Who it is is said plainly, whatever the other columns are called.
  const whoAndAddress =
    roles.includes('email') && roles.some((role) => role === 'name' || role === 'given_name');
  const isHeading = names && enough && (known >= cells.length / 2 || whoAndAddress);
  return isHeading ? roles.map((role) => role ?? 'ignored') : null;
}

/** What a column without a heading holds. */
function roleOfCells(values: readonly string[]): Role {
  const present = values.filter((value) => value !== '');
  const share = (test: (value: string) => boolean) =>
    present.filter(test).length / Math.max(present.length, 1);
  if (present.length === 0) return 'ignored';
  if (share((value) => emailShape.test(value)) >= 0.5) return 'email';
  // One of the two times may be missing; the first of them is that of joining.
  if (share((value) => readMoment(value, 'day_first') !== null && !/\p{L}{3}/u.test(value)) >= 0.6)
    return 'time';
  if (share((value) => /^\d+(?:[.,]\d+)?\s*(?:h|hrs?|m|mins?|s|secs?|sek|std)\b/i.test(value)) >= 0.6)
    return 'ignored';
  return share((value) => /\p{L}/u.test(value)) >= 0.6 ? 'name' : 'ignored';
}

function rolesByContent(rows: readonly TableRow[]): Role[] {
  const width = Math.max(...rows.map((row) => row.cells.length));
  const roles = Array.from({ length: width }, (_, index) =>
    roleOfCells(rows.map((row) => row.cells[index] ?? '')),
  );
  return withTimes(roles, rows);
}

/** Columns of times under headings that say nothing of it: by their order, beside what other headings say. */
function withTimes(roles: readonly Role[], rows: readonly TableRow[]): Role[] {
  const times: readonly Role[] = ['joined', 'left'];
  const isOpen = (role: Role) => role === 'ignored' || role === 'time';
  const found = rolesOfTimes(
    rows,
    roles.map((role) => isOpen(role) || times.includes(role)),
  );
  const free = times.filter((role) => !roles.includes(role));
  return roles.map((role, index) => {
    const time = found.get(index);
    if (!isOpen(role)) return role;
    if (!time || free.length === 0) return 'ignored';
    const [only] = free;
    return free.length === 2 ? time : (only ?? 'ignored');
  });
}

/** Who somebody is under a heading that says nothing of it, where no other heading does. */
function withName(roles: readonly Role[], rows: readonly TableRow[]): Role[] {
  const named = roles.some((role) => role === 'name' || role === 'given_name' || role === 'family_name');
  const at = named
    ? -1
    : roles.findIndex(
        (role, index) =>
          role === 'ignored' && roleOfCells(rows.map((row) => row.cells[index] ?? '')) === 'name',
      );
  return roles.map((role, index) => (index === at ? 'name' : role));
}

/** The tables of a list one below another, each with its heading; what stands above the first is not one. */
function tablesOf(rows: readonly TableRow[]): { tables: Table[]; above: TableRow[] } {
  const tables: Table[] = [];
  const above: TableRow[] = [];
  for (const row of rows) {
    const roles = headingOf(row);
    if (roles) tables.push({ roles, titles: row.cells, rows: [] });
    else (tables.at(-1)?.rows ?? above).push(row);
  }
  return { tables, above };
}

const has = (table: Table, role: Role) => table.roles.includes(role);

/** Of several tables the one that says most of who was there when. */
function bestTable(rows: readonly TableRow[]): { table: Table; above: TableRow[]; others: TableRow[] } {
  const { tables, above } = tablesOf(rows);
  const score = (table: Table) =>
    (has(table, 'joined') ? 2 : 0) + (has(table, 'left') ? 2 : 0) + (has(table, 'email') ? 1 : 0);
  const [best, ...others] = tables
    .filter((table) => table.rows.length > 0)
    .toSorted((a, b) => score(b) - score(a) || b.rows.length - a.rows.length);
  if (best) {
    const table = { ...best, roles: withTimes(withName(best.roles, best.rows), best.rows) };
    return { table, above, others: others.flatMap((other) => other.rows) };
  }
  return { table: { roles: rolesByContent(rows), titles: [], rows: [...rows] }, above: [], others: [] };
}

const offsetWords = /\b(?:utc|gmt)\b\s*([+-]\s?\d{1,2}(?::?\d{2})?)?/i;

/** "All times in UTC+01:00" above the table, or in a title. */
function statedOffset(texts: readonly string[]): number | null {
  for (const text of texts) {
    const found = offsetWords.exec(text);
    if (!found) continue;
    const [, written = '+0'] = found;
    const [hours = '0', minutes = '0'] =
      written.replace(/\s/g, '').match(/\d{1,2}(?=\D|$|\d{2}$)|\d{2}$/g) ?? [];
    const size = Number(hours) * 60 + Number(minutes);
    return written.startsWith('-') ? -size : size;
  }
  return null;
}

const summary =
  /^(total|sum|count|average|participants?|attendees?|students?|people|meeting|page|generated|exported|recorded|host|organi[sz]er|date|start|end)\b[^@]*(:|\d|$)/i;
const timeInLine = /\b\d{1,2}[:.]\d{2}(?:[:.]\d{2})?(?:\s*[ap]\.?m\.?)?/gi;
const bullets = /^\s*(?:\d{1,3}[.)]|[-*•–])\s+/;

/** What is left of a line once address, times and bullets are taken out of it. */
function bareName(text: string): string {
  return text
    .replace(new RegExp(`<?(mailto:)?${emailShape.source}>?`, 'i'), ' ')
    .replace(bullets, '')
    .replace(timeInLine, ' ')
    .replace(/["<>;|]/g, ' ')
    .replace(/\s+/g, ' ')
    .replace(/(?<![\s,–-])[\s,–-]+$/, '')
    .trim();
}

function addTime(moment: WrittenMoment, seconds: number): WrittenMoment {
  return { ...moment, seconds: moment.seconds + seconds };
}

function readLine(row: TableRow, table: Table, order: DateOrder): Participant {
  const cells = (role: Role) =>
    table.roles.flatMap((found, index) => (found === role ? [row.cells[index] ?? ''] : []));
  const cell = (role: Role) => cells(role)[0] ?? '';
  const addressed = cell('email');
  // "Quispe, Dario <dario@x.org>" split at its comma: what stands beside the address is name too.
  const beside = bareName(addressed);
  const whole = [cells('name').join(' '), cell('given_name'), cell('family_name'), beside]
    .filter(Boolean)
    .join(' ');
  const email = emailShape.exec(cell('email'))?.[0] ?? emailShape.exec(whole)?.[0] ?? '';
  const title = table.titles[table.roles.indexOf('duration')] ?? '';
  const duration = readDuration(cell('duration'), /second/i.test(title) ? 'seconds' : 'minutes');
  // A pasted line has its times in it: "Mei Tanaka 10:42 11:30".
  const times = has(table, 'joined') ? null : whole.match(timeInLine);
  const joined = readMoment(cell('joined') || (times?.[0] ?? ''), order);
  const left = readMoment(cell('left') || (times?.[1] ?? ''), order);
  const stayed = joined && !left && duration !== null ? addTime(joined, duration) : null;
  return {
    line: row.line,
    written: whole.replace(bullets, '').trim() || email || cell('email') || cell('id'),
    name: bareName(whole),
    email: email.toLowerCase(),
    schoolId: cell('id'),
    joined,
    left: left ?? stayed,
  };
}

function reasonToLeaveOut({ name, email, schoolId, written }: Participant, row: TableRow): string | null {
  if (email || schoolId) return null;
  if (!/\p{L}/u.test(name)) return 'there is no name and no address in this line';
  if (summary.test(written) && (written.includes(':') || /\d/.test(row.cells.join(' '))))
    return 'this says something of the meeting, not of a person';
  return null;
}

/**
 * Who was in a meeting, as a list says it: a table with headings in any words and order, with anything
 * above and below it, or pasted lines of names, addresses, or both.
 * @param rows of `readTable` @param lessonDate helps to tell 3/4 from 4/3 @param chosenOrder the teacher's word on it
 * @throws TableError when there is nobody in it
 */
export function readParticipants(
  rows: readonly TableRow[],
  lessonDate: string | null,
  chosenOrder?: DateOrder,
): ParticipantReading {
  const { table, above, others } = bestTable(splitRecipients(rows));
  const timed = table.roles.flatMap((role, index) => (role === 'joined' || role === 'left' ? [index] : []));
  const times = table.rows.flatMap((row) => timed.map((index) => row.cells[index] ?? ''));
  const found = dateOrderOf(times, lessonDate);
  const order = chosenOrder ?? found.order;
  const texts = [
    ...above.map((row) => filled(row).join(' ')),
    ...timed.map((index) => table.titles[index] ?? ''),
  ];
  const reading: ParticipantReading = {
    participants: [],
    leftOut: [],
    offset: statedOffset(texts),
    dateOrderUnsure: !found.sure,
  };
  const leaveOut = (row: TableRow, reason: string) =>
    reading.leftOut.push({ line: row.line, text: filled(row).join(', '), reason });
  for (const row of above) leaveOut(row, 'it stands above the table');
  for (const row of table.rows) {
    const participant = readLine(row, table, order);
    const reason = reasonToLeaveOut(participant, row);
    if (reason) leaveOut(row, reason);
    else reading.participants.push(participant);
  }
  for (const row of others) leaveOut(row, 'it stands in another table of the list, which says less');
  if (reading.participants.length === 0)
    throw new TableError('There is no name and no e-mail address in this list. Nothing was changed.');
  return reading;
}

/** Everybody's joins together; a line without an address is that of the one with the same name and an address. */
export function peopleOf(participants: readonly Participant[]): Participant[][] {
  const named = groupBy(
    participants.filter(({ email }) => email !== ''),
    ({ name }) => name.toLowerCase(),
  );
  const keyOf = (participant: Participant) => {
    const same = participant.email ? [] : (named.get(participant.name.toLowerCase()) ?? []);
    const keys = new Set(same.map(personKey));
    return keys.size === 1 ? ([...keys][0] ?? '') : personKey(participant);
  };
  return [...groupBy(participants, keyOf).values()];
}
