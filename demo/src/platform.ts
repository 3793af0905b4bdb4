import { addDays } from '@slate-path/core/calendar/localTime';
import { localMoment } from '@slate-path/core/calendar/zone';
import { Command } from 'commander';
import { courseOf } from './platform/statements';
import { platformAccess, startPlatform } from './platform/startPlatform';
import { classes, school } from './scenario';
import { makeTerm } from './term';

interface Options {
  port: string;
  host: string;
  now?: string;
  days: string;
  speed: string;
}

/** `npm run platform`: the learning platform of the demo's school by itself, for any installation to ask. */
async function platform({ port, host, now, days, speed }: Options): Promise<void> {
  const real = Date.now();
  const begin = now === undefined ? real : Date.parse(now);
  if (Number.isNaN(begin)) throw new Error(`${now ?? ''} is no moment: give one as 2026-11-23T10:42:00Z.`);
  const clock = () => begin + (Date.now() - real) * Number(speed);
  const from = addDays(localMoment(begin, school.zone).date, -Number(days));
  const term = makeTerm(begin);
  const { address } = await startPlatform({ term, from, clock, port: Number(port), host });
  const { userName, password } = platformAccess;
  console.log(`The platform is at ${address} (user ${userName}, password ${password}; Ctrl-C ends it).`);
  for (const { name } of classes) console.log(`${name}: ${courseOf(name)}`);
}

new Command('platform')
  .description('a learning platform with made-up students, whose statements can be asked for')
  .option('--port <port>', 'where it listens', '4190')
  .option('--host <host>', 'on which address', '127.0.0.1')
  .option('--now <moment>', 'its present moment, ISO; usually the machine’s')
  .option('--days <days>', 'how many days back it knows', '28')
  .option('--speed <factor>', 'how many times faster its time goes', '1')
  .action(platform)
  .parseAsync()
  .catch((error: unknown) => {
    console.error(error instanceof Error ? error.message : error);
    process.exit(1);
  });
