import { In } from 'typeorm';
import { addDays } from '@slate-path/core/calendar/localTime';
import { instantOf } from '@slate-path/core/calendar/zone';
import type { Note } from '@slate-path/core/records/schema';
import type { OpenDatabase } from '../database/open';
import { recordOfColumns } from '../database/rowSql';
import { load } from '../views/load';

/** Notes as records, from the columns of their rows. */
export const notesOf = (rows: Record<string, unknown>[]): Note[] =>
  rows.map((row) => recordOfColumns('note', row));

/** Notes with whom and what they speak of and what they promise: three queries, however many they are. */
export async function withLinks({ read }: Pick<OpenDatabase, 'read'>, note: Note[]) {
  const ofThem = { noteId: In(note.map(({ id }) => id)) };
  return {
    note,
    noteStudent: await load(read, 'noteStudent', ofThem),
    noteTopic: await load(read, 'noteTopic', ofThem),
    followUp: await load(read, 'followUp', ofThem),
  };
}

/** The moment at which a day begins at the teacher's school. */
export async function beginningOf(
  { read }: Pick<OpenDatabase, 'read'>,
  teacherId: string,
  date: string,
): Promise<string> {
  const [school] = await load(read, 'school', { teacherId });
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
