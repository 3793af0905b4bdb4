import { addDays } from '@slate-path/core/calendar/localTime';
import { instantOf } from '@slate-path/core/calendar/zone';
import type { Note } from '@slate-path/core/records/schema';
import { rowsOfNotes } from '../database/noteIndex';
import type { OpenDatabase } from '../database/open';
import { recordOfColumns } from '../database/rowSql';
import { load } from '../database/load';

/** Notes as records, from the columns of their rows. */
export const notesOf = (rows: Record<string, unknown>[]): Note[] =>
  rows.map((row) => recordOfColumns('note', row));

/** Notes with whom and what they speak of and what they promise: three queries, however many they are. */
export function withLinks({ lookUp }: Pick<OpenDatabase, 'lookUp'>, note: Note[]) {
  const ids = note.map(({ id }) => id);
  const ofThem = <T extends 'noteStudent' | 'noteTopic' | 'followUp'>(table: T) =>
    rowsOfNotes(lookUp, table, ids).map((row) => recordOfColumns(table, row));
  return {
    note,
    noteStudent: ofThem('noteStudent'),
    noteTopic: ofThem('noteTopic'),
    followUp: ofThem('followUp'),
  };
}

/** The moment at which a day begins at the teacher's school. */
export async function beginningOf(
  { read }: Pick<OpenDatabase, 'read'>,
  teacherId: string,
  date: string,
): Promise<string> {
  const [school] = await load(read, 'school', teacherId);
  return new Date(instantOf({ date, time: '00:00' }, school?.zone ?? 'UTC')).toISOString();
}

/** The moments between which some days lie. */
export async function momentsOf(
  database: Pick<OpenDatabase, 'read'>,
  teacherId: string,
  { from, to }: { from?: string | undefined; to?: string | undefined },
) {
  return {
    from: from && (await beginningOf(database, teacherId, from)),
    until: to && (await beginningOf(database, teacherId, addDays(to, 1))),
  };
}
