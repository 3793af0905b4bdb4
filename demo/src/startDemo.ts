import fs from 'node:fs';
import path from 'node:path';
import { addressOf } from '@slate-path/core/api/address';
import { createTeacher } from '@slate-path/server/accounts/accounts';
import { openDatabase } from '@slate-path/server/database/open';
import { reachFrom } from '@slate-path/server/settings';
import { startServer, type Running } from '@slate-path/server/start';
import { ApiClient } from './apiClient';
import { demoStart } from './demoClock';
import { fillDemo } from './fill';
import { school, teacherName } from './scenario';

/** What is remembered between starts. It is written last, so a demo cut short begins anew. */
interface Kept {
  teacherId: string;
  /** The demo's last present moment, in milliseconds. */
  lastNow: number;
  /** The last day of its term. */
  endsOn: string;
}

export interface DemoOptions {
  folder: string;
  port: number;
  host: string;
  pages: string | null;
  /** Begin anew, whatever is there. */
  fresh: boolean;
  /** ISO moment at which the clock stands still; else it runs. */
  fixedNow: string | undefined;
}

function readKept(file: string): Kept | null {
  if (!fs.existsSync(file)) return null;
  return JSON.parse(fs.readFileSync(file, 'utf8')) as Kept;
}

/**
 * Starts the demo: the term of Tern Rock School up to "today", with a clock of its own, so that a
 * lesson is on whenever it is started. Started again it keeps what was done.
 */
export async function startDemo(options: DemoOptions): Promise<Running> {
  const { folder, port, host, pages, fixedNow } = options;
  const file = path.join(folder, 'demo.json');
  const real = Date.now();
  let kept = readKept(file);
  if (options.fresh || !kept) {
    fs.rmSync(folder, { recursive: true, force: true });
    kept = null;
  }
  // Never before what was done already: a later word must stay the later one.
  const begin = fixedNow ? Date.parse(fixedNow) : demoStart(real, kept ?? undefined);
  const clock = () => (fixedNow ? begin : begin + Date.now() - real);
  const teacherId = kept?.teacherId ?? (await makeTeacher(folder, clock));
  const running = await startServer({
    dataFolder: folder,
    port,
    host,
    pages,
    clock,
    reach: reachFrom(process.env),
    demoTeacherId: teacherId,
  });
  const endsOn = kept?.endsOn ?? (await fill(running.address, clock()));
  const remember = () => {
    fs.writeFileSync(file, JSON.stringify({ teacherId, lastNow: clock(), endsOn }));
  };
  remember();
  const timer = setInterval(remember, 60_000);
  timer.unref();
  return {
    ...running,
    stop: async () => {
      clearInterval(timer);
      remember();
      await running.stop();
    },
  };
}

async function fill(address: string, now: number): Promise<string> {
  const client = await ApiClient.signIn(address, addressOf('demoSignIn'), {});
  return (await fillDemo(client, now)).endsOn;
}

async function makeTeacher(folder: string, clock: () => number): Promise<string> {
  const database = await openDatabase(folder);
  // Nobody signs in with it: the demo has a door of its own, which is there only in the demo.
  const passphrase = crypto.randomUUID();
  const beginning = () => clock() - 100 * 86_400_000;
  const teacherId = await createTeacher(
    { database, clock: beginning },
    { name: teacherName, passphrase, school },
  );
  await database.close();
  return teacherId;
}
