import { randomBytes } from 'node:crypto';
import { setPassphrase } from '@slate-path/server/accounts/accounts';
import { hashPassphrase } from '@slate-path/server/accounts/passphrase';
import { endOtherSessions } from '@slate-path/server/accounts/sessions';
import { teacherOf, withDatabase } from './teacher';

export interface PassphraseCommand {
  data: string;
  teacher?: string;
}

/** `slate passphrase`: another passphrase for a teacher who has lost theirs, also while the server runs. */
export async function newPassphrase({ data, teacher }: PassphraseCommand): Promise<void> {
  const passphrase = randomBytes(12).toString('base64url');
  await withDatabase(data, async (database) => {
    const id = await teacherOf(database, teacher);
    const hash = await hashPassphrase(passphrase);
    await database.write((sql) => {
      setPassphrase(sql, id, hash);
      endOtherSessions(sql, id, null);
    });
  });
  console.log(passphrase);
  console.error(
    'This is the new passphrase, said only here. Every device is signed out; nothing else was changed.',
  );
}
