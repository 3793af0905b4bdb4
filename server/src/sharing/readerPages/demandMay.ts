import { fewestUnnamed } from '@slate-path/core/sharing/readerPage/limits';
import type { PageSettings } from '@slate-path/core/sharing/readerPage/settings';
import type { Sql } from '../../database/sql';
import { Problem } from '../../http/problem';
import { dayAtSchool } from '../../scopes/access';
import { hidesEach, passesOnAll } from './pages';

const tooFew = `Of fewer than ${fewestUnnamed} students one could guess who is meant. Nothing was made; make a page about each of them instead.`;

/** Only the teachers of students, or of a class, pass on what is recorded of them. */
export function demandMay(sql: Sql, madeBy: string, settings: PageSettings, now: number): void {
  if (!passesOnAll(sql, madeBy, settings))
    throw new Problem(
      404,
      'Not found',
      settings.sectionId === null
        ? 'One of these is no student of yours. Nothing was made.'
        : 'There is no such class of yours. Nothing was made.',
    );
  if (!hidesEach(sql, settings, dayAtSchool(sql, madeBy, now)))
    throw new Problem(400, 'Too few to hide each of them', tooFew, [
      { field: 'settings.sectionId', message: tooFew },
    ]);
}
