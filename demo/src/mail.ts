import { Command } from 'commander';
import { startMailServer } from './mail/startMailServer';

interface Options {
  port: string;
  pagePort: string;
  host: string;
}

/** `npm run mail`: a mail server by itself, for any installation to hand its letters to; none of them goes anywhere. */
async function mail({ port, pagePort, host }: Options): Promise<void> {
  const server = await startMailServer({ port: Number(port), pagePort: Number(pagePort), host });
  console.log(
    `The mail server is at ${host}, port ${server.port}, not encrypted. Its letters are read at ${server.page} (Ctrl-C ends it).`,
  );
}

new Command('mail')
  .description('a mail server that keeps what it takes, to be read on a page')
  .option('--port <port>', 'where it takes letters', '4191')
  .option('--page-port <port>', 'where they are read', '4192')
  .option('--host <host>', 'on which address', '127.0.0.1')
  .action(mail)
  .parseAsync()
  .catch((error: unknown) => {
    console.error(error instanceof Error ? error.message : error);
    process.exit(1);
  });
