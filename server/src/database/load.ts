import type { DataSource, FindOptionsWhere } from 'typeorm';
import type { RecordOf, TableName } from '@slate-path/core/records/schema';
import { namedOnly } from '@slate-path/core/scopes/rights';
import { recordEntities, type Row } from './entities';
import { alsoReadable, readable } from '../scopes/access';
import { colleaguesSql, retired } from '../scopes/retired';

/** A row without what only the server needs. */
export function toRecord<T extends TableName>(row: Row): RecordOf<T> {
  const { teacherId: _maker, scopeId: _place, stamps: _stamps, ...record } = row;
  return record as unknown as RecordOf<T>;
}

/** `?` of a condition as a named value. */
const named = (condition: string) => condition.replace('?', ':personId');

/** Fields that have an index together with where a record belongs, or need none. */
const withScope: ReadonlySet<string> = new Set(['removed', 'date', 'at', 'dueOn']);

/** Records of one table that somebody may read, removed ones too: those who keep a copy must hear of the removal. */
export async function load<T extends TableName>(
  database: DataSource,
  table: T,
  personId: string,
  where: FindOptionsWhere<Row> = {},
): Promise<RecordOf<T>[]> {
  const byScope = Object.keys(where).every((field) => withScope.has(field));
  const rows = await database
    .getRepository(recordEntities[table])
    .createQueryBuilder(table)
    .where(where)
    .andWhere(named(byScope ? readable(table) : alsoReadable(table)), { personId })
    .getMany();
  const colleagues = namedOnly.includes(table)
    ? await database.query<{ scopeId: string }[]>(colleaguesSql, [personId])
    : [];
  const scopes = colleagues.map(({ scopeId }) => scopeId);
  return retired(table, rows, () => scopes).map((row) => toRecord<T>(row));
}

/** What hangs on a lesson. */
type Recorded = 'mark' | 'checkIn' | 'otherCheckIn' | 'sweep' | 'game' | 'roomTone' | 'observation';

/** What belongs to the lessons of a range of days, in one query however many they are. */
export async function loadOfLessonsBetween<T extends Recorded>(
  database: DataSource,
  table: T,
  { personId, from, to, sectionId }: { personId: string; from: string; to: string; sectionId?: string },
): Promise<RecordOf<T>[]> {
  const query = database
    .getRepository(recordEntities[table])
    .createQueryBuilder(table)
    .innerJoin('lesson', 'lesson', `lesson.id = ${table}.lessonId`)
    .where(named(readable('lesson')), { personId })
    .andWhere('lesson.date BETWEEN :from AND :to', { from, to });
  if (sectionId !== undefined) query.andWhere('lesson.sectionId = :sectionId', { sectionId });
  const rows = await query.getMany();
  return rows.map((row) => toRecord<T>(row));
}

/** The notes that speak of a student, or did: a copy of what was removed must hear of it. */
export async function notesAbout(
  database: DataSource,
  personId: string,
  studentId: string,
): Promise<RecordOf<'note'>[]> {
  const rows = await database
    .getRepository(recordEntities.note)
    .createQueryBuilder('note')
    .innerJoin('noteStudent', 'link', 'link.noteId = note.id')
    .where('link.studentId = :studentId', { studentId })
    .andWhere(named(alsoReadable('note')), { personId })
    .getMany();
  return rows.map((row) => toRecord<'note'>(row));
}
