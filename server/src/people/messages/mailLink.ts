import type { Services } from '../../services';
import type { Sql } from '../../database/sql';
import { addLetter, withdrawLetters, type NewLetter } from './letters';

/** Puts a letter with a link on its way. @returns whether it goes out: without a mail server it is only kept */
export async function mailLink(
  { database, postman, clock }: Services,
  letterIn: (sql: Sql) => NewLetter,
): Promise<boolean> {
  await database.write((sql) => {
    addLetter(sql, letterIn(sql), clock());
  });
  void postman.wake();
  return postman.access !== null;
}

/** A link leads nowhere any more: its letter is not sent, where it waits still, and no copy of it is kept. */
export async function withdrawLink({ database, kept }: Services, aboutId: string): Promise<void> {
  await database.write((sql) => {
    withdrawLetters(sql, aboutId);
  });
  await kept.forget(aboutId);
}
