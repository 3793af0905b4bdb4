import { spawn, spawnSync } from 'node:child_process';
import os from 'node:os';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));

/** Runs a program in the project's folder, or another, and shows what it prints. @returns its exit code */
export function run(command, args, env = {}, cwd = root) {
  const { status } = spawnSync(command, args, {
    cwd,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  return status ?? 1;
}

/** The same, ending this program when it fails. */
export function must(command, args, env = {}, cwd = root) {
  const code = run(command, args, env, cwd);
  if (code !== 0) process.exit(code);
}

/**
 * Runs a program and keeps what it prints until it ends.
 * @param options.givesWay true where others come first when there is too little to run on
 * @returns its exit code, once that is printed
 */
export function runBeside(command, args, { givesWay = false } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, env: process.env, stdio: ['ignore', 'pipe', 'pipe'] });
    if (givesWay && child.pid) os.setPriority(child.pid, os.constants.priority.PRIORITY_BELOW_NORMAL);
    const said = [];
    for (const stream of [child.stdout, child.stderr])
      stream.setEncoding('utf8').on('data', (text) => said.push(text));
    child.once('close', (code) => {
      console.log(`\n— ${[command, ...args].join(' ')}`);
      process.stdout.write(said.join(''));
      resolve(code ?? 1);
    });
  });
}
