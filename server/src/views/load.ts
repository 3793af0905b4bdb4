import type { DataSource, FindOptionsWhere } from 'typeorm';
import type { RecordOf, TableName } from '@slate-path/core/records/schema';
import { recordEntities, type Row } from '../database/entities';

/** A row without what only the server needs. */
function toRecord<T extends TableName>(row: Row): RecordOf<T> {
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
