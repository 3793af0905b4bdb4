import type { Game } from '@slate-path/core/records/schema';
import { In } from '../../database/conditions';
import { load } from '../../database/load';
import type { OpenDatabase } from '../../database/open';
import type { Sql } from '../../database/sql';

/** Games with all points that were given in them. */
export async function withPoints(database: OpenDatabase['read'], teacherId: string, game: Game[]) {
  const ofThem = { gameId: In(game.map(({ id }) => id)) };
  return { game, gamePoint: await load(database, 'gamePoint', teacherId, ofThem) };
}

/** Ids of the games in one of whose sides a student is. */
export function gamesWith(sql: Sql, studentId: string): string[] {
  return sql
    .all<{ id: string }>(
      `SELECT DISTINCT "game"."id" FROM "game", json_each("game"."sides") AS "side", json_each("side"."value", '$.studentIds') AS "member" WHERE "member"."value" = ?`,
      studentId,
    )
    .map(({ id }) => id);
}
