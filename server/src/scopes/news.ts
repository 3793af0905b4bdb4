import type { Sql } from '../database/sql';
import { peopleIn } from './access';

/** A change that others may see. */
export interface Told {
  kind: string;
  changeId: string;
}

/** Kinds of news that say that somebody sees other records than before. */
export const accessKinds = ['share', 'withdraw'] as const;

const keep =
  'INSERT INTO "news" ("personId", "kind", "changeId") VALUES (?, ?, ?) ON CONFLICT ("personId", "kind") DO UPDATE SET "changeId" = excluded."changeId"';

/** Keeps for some people that there is something new for them: what they have of it is old from now on. */
export function tell(sql: Sql, people: readonly string[], { kind, changeId }: Told): void {
  for (const personId of people) sql.run(keep, personId, kind, changeId);
}

/** Tells everybody else who is something in one of these scopes. @returns whom */
export function tellBeside(sql: Sql, personId: string, scopes: ReadonlySet<string>, told: Told): string[] {
  const others = new Set([...scopes].flatMap((scopeId) => peopleIn(sql, scopeId)));
  others.delete(personId);
  tell(sql, [...others], told);
  return [...others];
}

/** The last change of colleagues that somebody may see: of any kind, or of some. */
export function lastNews(sql: Sql, personId: string, kinds: readonly string[] | null): string {
  const places = kinds?.map(() => '?').join(', ');
  const found = sql.get<{ last: string | null }>(
    `SELECT group_concat("changeId") AS last FROM "news" WHERE "personId" = ?${kinds ? ` AND "kind" IN (${places})` : ''}`,
    personId,
    ...(kinds ?? []),
  );
  return found?.last ?? '';
}
