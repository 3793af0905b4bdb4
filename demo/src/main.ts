import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { DatabaseError } from '@slate-path/server/database/problems';
import { ListenError } from '@slate-path/server/http/listen';
import { stopOnSignals } from '@slate-path/server/start';
import { startDemo } from './startDemo';

const root = fileURLToPath(new URL('../..', import.meta.url));

async function main(): Promise<void> {
  const { PORT = '4180', HOST = '127.0.0.1', SLATE_DEMO_DATA, SLATE_NOW } = process.env;
  const running = await startDemo({
    folder: path.resolve(SLATE_DEMO_DATA ?? path.join(root, 'demo', 'data')),
    port: Number(PORT),
    host: HOST,
    pages: path.join(root, 'app', 'dist'),
    fresh: process.argv.includes('--fresh'),
    fixedNow: SLATE_NOW,
  });
  stopOnSignals(running);
  console.log(
    `The demo of Slate Path is at ${running.address}; its letters are read at ${running.mailbox} (Ctrl-C ends it)`,
  );
}

main().catch((error: unknown) => {
  const known = error instanceof DatabaseError || error instanceof ListenError;
  console.error(known ? error.message : error);
  process.exit(1);
});
