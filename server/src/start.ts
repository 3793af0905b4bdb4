import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { dropBrokenCopies, dropBrokenReadings } from './keeping/backups/backups';
import { openDatabase } from './database/open';
import { Erasures } from './keeping/erasure/erasures';
import { createApp } from './http/createApp';
import { Events } from './http/events';
import { listen } from './http/listen';
import { startJobs } from './jobs/jobs';
import { KeptLetters } from './people/messages/keptLetters';
import type { MailAccess } from './people/messages/mailSettings';
import { Postman } from './people/messages/postman';
import type { Clock } from './clock';
import type { Services } from './services';
import { reachFrom, type Reach } from './settings';
import { WatchKeeper } from './watch/keeper';
import { tellPages } from './scopes/tellPages';
import type { FeedServices } from './work/feed/askFeed';
import { FeedKeeper, type FeedPace } from './work/feed/keeper';

export interface StartOptions {
  dataFolder: string;
  port: number;
  host: string;
  /** Folder of the web build; null serves the API alone. */
  pages: string | null;
  clock: Clock;
  /** Without it, only by its addresses and the machine's name, with no proxy in front. */
  reach?: Reach;
  demoTeacherId?: string;
  /** How often record stores are asked; usually every five minutes. */
  feedPace?: FeedPace;
  /** How letters leave the server; without it as the keeper sets it up. */
  mail?: MailAccess | null;
  /** How many times sooner letters are tried again than usual. */
  mailHaste?: number;
}

export interface Running {
  address: string;
  services: Services;
  stop(): Promise<void>;
}

/** Opens the data, starts the workers and listens. */
export async function startServer(options: StartOptions): Promise<Running> {
  const database = await openDatabase(options.dataFolder, { alone: true });
  const jobs = startJobs();
  const { clock, demoTeacherId = null, reach = reachFrom({}) } = options;
  const { dataFolder, mail = null, mailHaste = 1 } = options;
  const kept = new KeptLetters(path.join(dataFolder, 'outbox'));
  const events = new Events();
  const postman = new Postman({
    ...{ database, dataFolder, kept, clock, access: mail, haste: mailHaste },
    tell: (people) => {
      for (const personId of people) events.tell(personId, 'mail');
    },
  });
  const erasures = new Erasures(database, jobs, postman, kept, clock);
  const watch = new WatchKeeper(database, jobs, clock);
  const tell: FeedServices['tell'] = (people, changes) => {
    tellPages({ watch, events }, people, changes);
  };
  const feeds = new FeedKeeper({ database, jobs, clock, tell }, options.feedPace);
  const keepers = { postman, erasures, watch, feeds };
  const services: Services = { database, jobs, kept, events, clock, dataFolder, demoTeacherId, ...keepers };
  await kept.dropBroken();
  erasures.resume();
  const closeAll = async (server?: Server) => {
    events.closeAll();
    watch.close();
    erasures.close();
    await feeds.close();
    await postman.close();
    if (server) await closeServer(server);
    await jobs.close();
    await database.close();
  };
  try {
    // The name that it listens on is one of its own.
    const hosts = [options.host, ...reach.hosts];
    const server = await listen(
      createApp(services, options.pages, { ...reach, hosts }),
      options.port,
      options.host,
    );
    // Only now: where another server has the port, it may be reading in the same folder.
    dropBrokenReadings(options.dataFolder);
    dropBrokenCopies(options.dataFolder);
    feeds.begin();
    // What a stop left waiting.
    await postman.begin();
    const { port } = server.address() as AddressInfo;
    return { address: `http://${options.host}:${port}`, services, stop: () => closeAll(server) };
  } catch (error) {
    await closeAll();
    throw error;
  }
}

/** Lets requests in hand finish; idle connections are closed at once. */
function closeServer(server: Server): Promise<void> {
  return new Promise((resolve) => {
    server.close(() => {
      resolve();
    });
    server.closeIdleConnections();
    setTimeout(() => {
      server.closeAllConnections();
    }, 3000).unref();
  });
}

/** Stops cleanly when the system asks for it, and when the program that started it is gone: nobody else would end it. */
export function stopOnSignals(running: Running): void {
  process.once('disconnect', () => process.exit(0));
  for (const signal of ['SIGTERM', 'SIGINT'] as const) {
    process.once(signal, () => {
      void running.stop().then(() => process.exit(0));
    });
  }
}
