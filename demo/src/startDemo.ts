import fs from 'node:fs';
import path from 'node:path';
import { addressOf } from '@slate-path/core/api/address';
import { instantOf, localMoment } from '@slate-path/core/calendar/zone';
import { createTeacher } from '@slate-path/server/accounts/accounts';
import { openDatabase } from '@slate-path/server/database/open';
import { reachFrom } from '@slate-path/server/settings';
import { startServer, type Running } from '@slate-path/server/start';
import { ApiClient } from './apiClient';
import { demoStart } from './demoClock';
import { fillDemo } from './fill';
import { workClass } from './fromElsewhere';
import { feedOfClass, startPlatform } from './platform/startPlatform';
import { school, teacherName } from './scenario';
import { startMailServer } from './mail/startMailServer';
import { makeTerm } from './term';

/** What is remembered between starts. It is written last, so a demo cut short begins anew. */
interface Kept {
  teacherId: string;
  /** The demo's last present moment, in milliseconds. */
  lastNow: number;
  /** The last day of its term. */
  endsOn: string;
  /** The day on which it was filled: from then on the platform has what is done elsewhere. */
  filledOn: string;
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

/** As whom the school's letters go out. */
const mailOfSchool = {
  security: 'none',
  ...{ user: '', sender: 'office@ternrock.example', replyTo: '', perMinute: 6000 },
} as const;

function readKept(file: string): Kept | null {
  if (!fs.existsSync(file)) return null;
  return JSON.parse(fs.readFileSync(file, 'utf8')) as Kept;
}

/**
 * Starts the demo: the term of Tern Rock School up to "today", with a clock of its own, so that a
 * lesson is on whenever it is started. Started again it keeps what was done.
 */
export async function startDemo(options: DemoOptions): Promise<Running & { mailbox: string }> {
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
  const mailServer = await startMailServer({ host });
  const running = await startServer({
    dataFolder: folder,
    port,
    host,
    pages,
    clock,
    reach: reachFrom(process.env),
    demoTeacherId: teacherId,
    feedPace: { everyMs: 20_000, longestMs: 60_000 },
    mail: {
      settings: { ...mailOfSchool, host, port: mailServer.port },
      ...{ password: '', by: 'environment' },
    },
    mailHaste: 20,
  });
  const client = await ApiClient.signIn(running.address, addressOf('demoSignIn'), {});
  const endsOn = kept?.endsOn ?? (await fillDemo(client, clock())).endsOn;
  const filledOn = kept?.filledOn ?? localMoment(clock(), school.zone).date;
  // The term as it was then: the same days are the same however late the demo is started again.
  const term = makeTerm(instantOf({ date: filledOn, time: '12:00' }, school.zone));
  const platform = await startPlatform({ term, from: filledOn, clock, host });
  await feedFrom(client, platform.address);
  const remember = () => {
    fs.writeFileSync(file, JSON.stringify({ teacherId, lastNow: clock(), endsOn, filledOn } satisfies Kept));
  };
  remember();
  const timer = setInterval(remember, 60_000);
  timer.unref();
  return {
    ...running,
    mailbox: mailServer.page,
    stop: async () => {
      clearInterval(timer);
      remember();
      await running.stop();
      await platform.close();
      await mailServer.close();
    },
  };
}

/** The class whose work is on the platform is told where the platform is now; what it has is there before anybody looks. */
async function feedFrom(client: ApiClient, address: string): Promise<void> {
  const { section } = await client.get(addressOf('setup'));
  const sectionId = section.find(({ name, removed }) => name === workClass && !removed)?.id;
  if (sectionId === undefined) return;
  const id = `platform-${sectionId}`;
  await client.postJson(addressOf('setFeed', { sectionId }), { id, ...feedOfClass(workClass, address) });
  await client.postJson(addressOf('askFeed', { sectionId, feedId: id }), {});
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
