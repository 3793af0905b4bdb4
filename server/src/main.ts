import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { clockFrom } from './clock';
import { DatabaseError, diskTrouble } from './database/problems';
import { ListenError } from './http/listen';
import { mailFrom } from './people/messages/mailSettings';
import { reachFrom } from './settings';
import { startServer, stopOnSignals } from './start';

const root = fileURLToPath(new URL('../..', import.meta.url));

// Children's records: what this process writes is for its own user alone.
process.umask(0o077);

/** Where the teacher's own data is, and how the server is reached: from the environment. */
async function main(): Promise<void> {
  const {
    PORT = '4180',
    HOST = '127.0.0.1',
    SLATE_DATA,
    SLATE_NOW,
    SLATE_NOW_RUNS,
    SLATE_API_ONLY,
    SLATE_MAIL_HASTE = '1',
  } = process.env;
  const running = await startServer({
    dataFolder: path.resolve(SLATE_DATA ?? path.join(root, 'data')),
    port: Number(PORT),
    host: HOST,
    pages: SLATE_API_ONLY ? null : path.join(root, 'app', 'dist'),
    clock: clockFrom(SLATE_NOW, SLATE_NOW_RUNS === 'yes'),
    reach: reachFrom(process.env),
    mail: mailFrom(process.env),
    mailHaste: Number(SLATE_MAIL_HASTE),
  });
  stopOnSignals(running);
  console.log(`Slate Path is at ${running.address}`);
}

main().catch((error: unknown) => {
  const known = error instanceof DatabaseError || error instanceof ListenError;
  console.error(known ? error.message : (diskTrouble(error) ?? error));
  process.exit(1);
});
