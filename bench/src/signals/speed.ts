import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ulid } from 'ulid';
import { toRecords } from '@slate-path/core/keeping/archive/toRecords';
import { createTeacher } from '@slate-path/server/accounts/accounts';
import { bringArchive } from '@slate-path/server/keeping/archive/bring';
import { applyChange } from '@slate-path/server/changes/applyChange';
import { openDatabase, type OpenDatabase } from '@slate-path/server/database/open';
import { startJobs } from '@slate-path/server/jobs/jobs';
import { WatchKeeper } from '@slate-path/server/watch/keeper';
import { ApiClient } from '@slate-path/demo/apiClient';
import { percentile } from '../percentile';
import { yearArchive, type YearSize } from './yearArchive';

const zone = 'Europe/Dublin';
const passphrase = 'harbour bell rings';
const year: YearSize = { classes: 6, students: 32, weeks: 36 };
/** After the last lesson of two years. */
const clock = () => Date.parse('2027-03-01T16:00:00Z');

async function fill(database: OpenDatabase, name: string, size: YearSize) {
  const teacherId = await createTeacher(
    { database, clock },
    { name, passphrase, school: { name: 'Tern Rock', zone, graceMinutes: 5 } },
  );
  const { records, problems } = toRecords(yearArchive(size), zone);
  if (problems.length > 0) throw new Error(problems[0]?.reason);
  await bringArchive({ database, clock, teacherId }, { records, zone });
  return { teacherId, records };
}

type Filled = Awaited<ReturnType<typeof fill>>;

/**
 * Milliseconds of whole lists of two databases through the worker, in turns: a host whose speed changes by half
 * within seconds would otherwise decide how the one compares with the other; the fastest run tells what is needed
 * where nothing else is in the way. The first two runs are left out.
 */
async function inTurns(once: [OpenDatabase, Filled], twice: [OpenDatabase, Filled]) {
  const jobs = startJobs();
  const lists = [once, twice].map(([database, { teacherId }]) => {
    const keeper = new WatchKeeper(database, jobs, clock);
    return { keeper, teacherId, times: [] as number[] };
  });
  for (let run = 0; run < 11; run += 1)
    for (const { keeper, teacherId, times } of lists) {
      keeper.touch(teacherId, [null]);
      const begun = performance.now();
      await keeper.list(teacherId);
      if (run > 1) times.push(performance.now() - begun);
    }
  lists.forEach(({ keeper }) => {
    keeper.close();
  });
  await jobs.close();
  const [single = [], double = []] = lists.map(({ times }) => times);
  return { single, double, ratios: double.map((time, index) => time / (single[index] ?? NaN)) };
}

/** Milliseconds from a new mark's arrival to a list that knows it. */
async function afterOneMark(database: OpenDatabase, { teacherId, records }: Filled): Promise<number[]> {
  const jobs = startJobs();
  const keeper = new WatchKeeper(database, jobs, clock);
  await keeper.list(teacherId);
  const times: number[] = [];
  const lessons = (records.lesson ?? [])
    .filter(({ sectionId }) => sectionId === records.section?.[0]?.id)
    .slice(-60);
  for (const { id, sectionId, date, startsAt, endsAt } of lessons) {
    const student = records.student?.[0];
    const marks = [{ studentId: student?.id ?? '', standingId: null, arrivedAt: null, leftAt: null }];
    const change = {
      id: ulid(),
      madeAt: new Date(clock()).toISOString(),
      device: 'bench',
      kind: 'roll.mark',
      payload: { lesson: { id, sectionId, date, startsAt, endsAt }, marks },
    };
    const begun = performance.now();
    const { outcome, reason } = await applyChange(database, change, { teacherId, receivedAt: change.madeAt });
    if (outcome === 'refused') throw new Error(reason ?? '');
    keeper.touch(teacherId, [change]);
    await keeper.list(teacherId);
    times.push(performance.now() - begun);
  }
  keeper.close();
  await jobs.close();
  return times.slice(3);
}

/** Megabytes of a real server that has given the year's list three times. */
async function serverMemory(folder: string): Promise<number> {
  const child = spawn('node', ['server/dist/main.mjs'], {
    env: {
      ...process.env,
      SLATE_DATA: folder,
      PORT: '0',
      SLATE_API_ONLY: '1',
      SLATE_NOW: new Date(clock()).toISOString(),
    },
  });
  const address = await new Promise<string>((resolve, reject) => {
    child.stdout.on('data', (bytes: Buffer) => {
      const found = /http:\S+/.exec(bytes.toString())?.[0];
      if (found) resolve(found);
    });
    child.once('exit', () => {
      reject(new Error('The server did not start.'));
    });
  });
  const client = await ApiClient.signIn(address, '/api/sign-in', { name: 'One year', passphrase });
  for (let run = 0; run < 3; run += 1) await client.get('/api/watch');
  const status = fs.readFileSync(`/proc/${child.pid ?? 0}/status`, 'utf8');
  child.kill();
  return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? NaN) / 1024;
}

/** How fast a teacher's year is looked at, on a real database, through the real worker. */
export async function speedOf(): Promise<Record<string, number>> {
  const places = [0, 1].map(() => fs.mkdtempSync(path.join(os.tmpdir(), 'slate-bench-')));
  const [folder = '', second = ''] = places;
  const database = await openDatabase(folder);
  const wider = await openDatabase(second);
  const one = await fill(database, 'One year', year);
  const two = await fill(wider, 'Twice', { ...year, classes: year.classes * 2 });
  const { single, double, ratios } = await inTurns([database, one], [wider, two]);
  await wider.close();
  const marks = await afterOneMark(database, one);
  const memory = await serverMemory(folder);
  await database.close();
  for (const place of places) fs.rmSync(place, { recursive: true });
  return {
    'watch list of a year (6 x 32 x 180) in the worker, ms': percentile(single, 0.5),
    'the same, the fastest of nine, ms': Math.min(...single),
    'the same with twice the data, ms': percentile(double, 0.5),
    'the same with twice the data, the fastest of nine, ms': Math.min(...double),
    'twice the data to once, in time': percentile(ratios, 0.5),
    'list current after one new mark p50 ms': percentile(marks, 0.5),
    'list current after one new mark p95 ms': percentile(marks, 0.95),
    'server memory, the year loaded and used, MB': memory,
  };
}
