import type { Observation } from '@slate-path/core/records/schema';
import { In } from '../../database/conditions';
import { load } from '../../database/load';
import type { OpenDatabase } from '../../database/open';
import type { Sql } from '../../database/sql';

/** Sessions of close watch with all that was seen in them. @param studentId of that student alone */
export async function withEvents(
  database: OpenDatabase['read'],
  teacherId: string,
  observation: Observation[],
  studentId?: string,
) {
  const ofThem = { observationId: In(observation.map(({ id }) => id)), ...(studentId && { studentId }) };
  return { observation, observationEvent: await load(database, 'observationEvent', teacherId, ofThem) };
}

/** Ids of the sessions in which a student was watched, and of the plans they follow. */
export function watchedIn(sql: Sql, studentId: string): { observationIds: string[]; planIds: string[] } {
  const found = sql.all<{ id: string; planId: string }>(
    `SELECT "observation"."id", "observation"."planId" FROM "observation", json_each("observation"."studentIds") AS "watched" WHERE "watched"."value" = ?`,
    studentId,
  );
  return { observationIds: found.map(({ id }) => id), planIds: found.map(({ planId }) => planId) };
}
