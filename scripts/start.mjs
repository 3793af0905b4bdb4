import { spawn } from 'node:child_process';
import { setTimeout } from 'node:timers';
import { buildApp } from './build.mjs';
import { buildServer } from './buildServer.mjs';
import { root } from './run.mjs';

await buildApp();
await buildServer();

/** What was asked to end, or could not begin, stays ended; a server that broke off while it ran is started again. */
const shortestRunMs = 10_000;
const pauseMs = 1_000;
let asked = false;
let child;

function start() {
  const begun = Date.now();
  child = spawn('node', ['server/dist/main.mjs'], {
    cwd: root,
    // By the channel it sees when this program is gone.
    stdio: ['inherit', 'inherit', 'inherit', 'ipc'],
  });
  child.once('exit', (code, signal) => {
    if (asked || code === 0 || Date.now() - begun < shortestRunMs) process.exit(code ?? 1);
    console.error(
      `The server ended by itself (${signal ?? code}). It is started again; nothing that was saved is lost.`,
    );
    setTimeout(start, pauseMs);
  });
}

for (const signal of ['SIGTERM', 'SIGINT'])
  process.on(signal, () => {
    asked = true;
    child.kill(signal);
  });
start();
