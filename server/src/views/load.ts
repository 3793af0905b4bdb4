import type { DataSource, FindOptionsWhere } from 'typeorm';
import type { RecordOf, TableName } from '@slate-path/core/records/schema';
import { recordEntities, type Row } from '../database/entities';

/** A row without what only the server needs. */
export function toRecord<T extends TableName>(row: Row): RecordOf<T> {
  const { teacherId: _owner, stamps: _stamps, ...record } = row;
  return record as unknown as RecordOf<T>;
}

/** Records of one table, removed ones too: those who keep a copy must hear of the removal. */
export async function load<T extends TableName>(
  database: DataSource,
  table: T,
  where: FindOptionsWhere<Row>,
): Promise<RecordOf<T>[]> {
  const rows = await database.getRepository(recordEntities[table]).findBy(where);
  return rows.map((row) => toRecord<T>(row));
}

/** What belongs to the lessons of a range of days, in one query however many they are. */
export async function loadOfLessonsBetween<T extends 'mark' | 'checkIn' | 'otherCheckIn' | 'sweep'>(
  database: DataSource,
  table: T,
  { teacherId, from, to, sectionId }: { teacherId: string; from: string; to: string; sectionId?: string },
): Promise<RecordOf<T>[]> {
  const query = database
    .getRepository(recordEntities[table])
    .createQueryBuilder('row')
    .innerJoin('lesson', 'lesson', 'lesson.id = row.lessonId')
    .where('row.teacherId = :teacherId AND lesson.date BETWEEN :from AND :to', { teacherId, from, to });
  if (sectionId !== undefined) query.andWhere('lesson.sectionId = :sectionId', { sectionId });
  const rows = await query.getMany();
  return rows.map((row) => toRecord<T>(row));
}

/** The notes that speak of a student, or did: a copy of what was removed must hear of it. */
export async function notesAbout(
  database: DataSource,
  { studentId }: { studentId: string },
): Promise<RecordOf<'note'>[]> {
  const rows = await database
    .getRepository(recordEntities.note)
    .createQueryBuilder('row')
    .innerJoin('noteStudent', 'link', 'link.noteId = row.id')
    .where('link.studentId = :studentId', { studentId })
    .getMany();
  return rows.map((row) => toRecord<'note'>(row));
}
