import fs from 'node:fs';
import os from 'node:os';
import { subscribe } from 'node:diagnostics_channel';
import type { ServerResponse } from 'node:http';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import Database from 'better-sqlite3';
import { build } from 'esbuild';
import { familyNames, givenNames } from '@slate-path/demo/names';
import { ApiClient } from '@slate-path/demo/apiClient';
import { teacher } from '@slate-path/e2e/src/classroom';
import { openBrowser, openPage } from '@slate-path/e2e/src/browser';
import { startServer } from '@slate-path/server/start';
import type { ReadingBench } from './notesInPage';
import { median, percentile } from './percentile';
import { throttled } from './tapToPaint';

const at = (list: readonly string[], index: number) => list[index % list.length] ?? '';

const people = Array.from({ length: 200 }, (_, index) => ({
  id: `s${index}`,
  givenName: at(givenNames, index),
  familyName: at(familyNames, index * 7 + Math.floor(index / givenNames.length)),
  called: '',
}));
const topics =
  'splicing, off-task, homework, phone, late, calling out, group work, tired, permission slip, knots, confidence, reading aloud, bullying, chart reading, sanding, safety glasses, asking for help, stuck, absence, gloves'.split(
    ', ',
  );
/** Of 30 to 160 letters, with names, slips of the keys and days. */
const texts = [
  'anouk and arjun both stuck on splicing, arjun wants till thursday',
  'Beatriz late again, 8 min, bus; ring home tomorrow about the permission slip',
  'chidi off task until moved next to davit, then good group work the whole hour',
  'No homwork from Enzo, promised to hand it in by the end of the week, said he was tired',
  'Fenna Almqvist read aloud for the first time, big step for her confidence; praise at the end of next lesson',
  'saw jolien and kaveh at the pier, talk to both in two weeks. phones out at 9:05 and again at 10:20, nobody else involved',
];

async function reading(): Promise<Record<string, number>> {
  const entry = fileURLToPath(new URL('./notesInPage.ts', import.meta.url));
  const { outputFiles } = await build({
    entryPoints: [entry],
    bundle: true,
    write: false,
    format: 'iife',
    minify: true,
  });
  const browser = await openBrowser();
  const page = await openPage(browser, 'phone');
  await page.addScriptTag({ content: outputFiles[0]?.text ?? '' });
  await throttled(page);
  const inHand = people.slice(0, 36).map(({ id }) => id);
  const given: ReadingBench = { people, inHand, topics, texts };
  const took = (await page.evaluate(
    (bench) =>
      (globalThis as unknown as { readWhileTyped: (bench: unknown) => number[] }).readWhileTyped(bench),
    given as never,
  )) as number[];
  await browser.close();
  return {
    'reading a note at each key p50 ms (200 students, 4x slower)': median(took),
    'reading a note at each key p95 ms (200 students, 4x slower)': percentile(took, 0.95),
  };
}

const noteCount = 100_000;
const oneDay = 86_400_000;

/** Notes straight into the file, triggers and all: through the one door it would take minutes. */
function fillNotes(file: string, teacherId: string): void {
  const db = new Database(file);
  const insert = db.prepare(
    'INSERT INTO "note" ("id", "teacherId", "removed", "stamps", "text", "at", "place", "own", "doubts") VALUES (?, ?, 0, \'{}\', ?, ?, \'\', 0, \'[]\')',
  );
  const link = db.prepare(
    'INSERT INTO "noteStudent" ("id", "teacherId", "removed", "stamps", "noteId", "studentId", "spans") VALUES (?, ?, 0, \'{}\', ?, ?, \'[]\')',
  );
  const student = db.prepare(
    'INSERT INTO "student" ("id", "teacherId", "removed", "stamps", "givenName", "familyName", "called", "email", "grade", "schoolId") VALUES (?, ?, 0, \'{}\', ?, ?, \'\', \'\', \'\', \'\')',
  );
  const begun = Date.parse('2023-09-01T08:00:00Z');
  db.transaction(() => {
    for (const { id, givenName, familyName } of people) student.run(id, teacherId, givenName, familyName);
    for (let index = 0; index < noteCount; index += 1) {
      const { id: studentId, givenName } = people[(index * 31) % people.length] ?? {
        id: 's0',
        givenName: '',
      };
      const id = `n${String(index).padStart(6, '0')}`;
      const text = `${givenName} ${at(topics, index * 13)} ${at(texts, index * 5)}`;
      insert.run(id, teacherId, text, new Date(begun + (index * 1100 * oneDay) / noteCount).toISOString());
      link.run(`${id}.${studentId}`, teacherId, id, studentId);
    }
  })();
  db.close();
}

/** What a teacher types: forms, phrases, a word begun, one that is in half of all notes, filters. */
const searches = [
  'words=spliced',
  'words="group work"',
  'words=off-task beatriz',
  'words=perm',
  'words=homework&studentId=s17',
  'words=stuck&from=2025-01-01&to=2025-03-31',
  'words=tired home',
  'words=s',
  'words=nothinglikethis',
  'studentId=s3',
  '',
];

/** From a request's arrival at the server to its answer's last byte leaving it, in ms. */
function timeAtServer(): number[] {
  const took: number[] = [];
  subscribe('http.server.request.start', (message) => {
    const { response } = message as { response: ServerResponse };
    const begun = performance.now();
    response.once('finish', () => took.push(performance.now() - begun));
  });
  return took;
}

async function searching(): Promise<Record<string, number>> {
  const dataFolder = fs.mkdtempSync(path.join(os.tmpdir(), 'slate-bench-'));
  const clock = () => Date.parse('2026-08-01T12:00:00Z');
  const running = await startServer({ dataFolder, port: 0, host: '127.0.0.1', pages: null, clock });
  const client = await ApiClient.signIn(running.address, '/api/first-start', teacher);
  const { teacher: signedIn } = await client.get<{ teacher: { id: string } }>('/api/session');
  fillNotes(running.services.database.file, signedIn.id);
  // Filling took so long that connections were given up meanwhile; they are noticed in a moment.
  await new Promise((resolve) => setTimeout(resolve, 500));
  const searchAll = async () => {
    for (const query of searches)
      await (await client.fetch(`/api/notes?${query.replace(/ /g, '%20')}`)).arrayBuffer();
  };
  for (let round = 0; round < 3; round += 1) await searchAll();
  const took = timeAtServer();
  for (let round = 0; round < 20; round += 1) await searchAll();
  await running.stop();
  return {
    'searching 100,000 notes, server p50 ms': median(took),
    'searching 100,000 notes, server p95 ms': percentile(took, 0.95),
  };
}

/** Notes: reading while typing on a slow phone, and finding among very many. */
export async function benchNotes(): Promise<Record<string, number>> {
  return { ...(await reading()), ...(await searching()) };
}
