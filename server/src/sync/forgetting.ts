import type { OpenDatabase } from '../database/open';
import { madeInSchool } from '../scopes/access';
import { lastNews } from '../scopes/news';

/** Another than before where a student of the school was erased, or something that was seen is seen no more. */
export function lastForgetting({ lookUp }: Pick<OpenDatabase, 'lookUp'>, personId: string): string {
  const erased = lookUp.get<{ last: string | null }>(
    `SELECT max("erasedAt") AS last FROM "erasure" WHERE ${madeInSchool}`,
    personId,
  );
  return [erased?.last ?? '', lastNews(lookUp, personId, ['withdraw'])].filter(Boolean).join(' ');
}
