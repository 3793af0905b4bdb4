import { dayIn } from '@slate-path/core/sharing/readerPage/language';
import type { Sql } from '../../database/sql';
import type { NewLetter } from '../../people/messages/letters';
import type { Page } from './pages';

/** The link of a reader's page as a letter. It names no student: mail is read by more than its reader. */
export function pageLetter(
  sql: Sql,
  { id, madeBy, madeAt, until, codeHash, settings: { reader } }: Page,
  address: string,
  link: string,
): NewLetter {
  const from = sql.get<{ name: string }>('SELECT "name" FROM "teacher" WHERE "id" = ?', madeBy)?.name ?? '';
  const body = [
    `Dear ${reader},`,
    `${from} has made a page for you to read:`,
    link,
    ...(codeHash === null ? [] : ['It asks for a code, which you get in another way.']),
    `It opens until ${dayIn('en', until, true)}. Whoever has the link can read it, so please do not pass it on.`,
  ].join('\n\n');
  return {
    ...{ id, kind: 'readerPage', aboutId: id, teacherId: madeBy, name: reader, address, body },
    writtenAt: madeAt,
    subject: `A page for you to read, from ${from}`,
  };
}
