import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { RestartableServer } from '../src/server';

/** What goes wrong in the middle of an operation, and how it is put right again. */
export interface Trouble {
  strike(server: RestartableServer): Promise<void>;
  /** Leaves the server running. @throws when it does not start though nothing is wrong any more */
  mend(server: RestartableServer): Promise<void>;
}

/** Loss of power: SIGKILL, then a start. */
export const kill: Trouble = {
  strike: (server) => server.end('SIGKILL'),
  mend: (server) => server.start(),
};

const megabytes = 160;

/** A folder on a disk of its own (a tmpfs), so small that it can be filled. @throws without the right to mount */
export function mountSmallDisk(): string {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'slate-disk-'));
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m`, 'tmpfs', folder], { stdio: 'pipe' });
  } catch {
    throw new Error('The drill with a full disk has to mount a small disk: run it as root.');
  }
  process.once('exit', () => {
    execFileSync('umount', ['-l', folder]);
    fs.rmdirSync(folder);
  });
  return folder;
}

const ballastOf = (folder: string) => path.join(folder, 'ballast');

function fill(folder: string): void {
  const block = Buffer.alloc(64 * 1024);
  const handle = fs.openSync(ballastOf(folder), 'a');
  try {
    for (;;) fs.writeSync(handle, block);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOSPC') throw error;
  } finally {
    fs.closeSync(handle);
  }
}

/** What a program says of a full disk. */
export const saysFull = /disk is full/i;

/**
 * The disk is full for a while; every second time the server is killed meanwhile and started on the full disk, where it
 * has to run, or to end and say why.
 * @param random 0 to 1 @param told what a start on a full disk said that is not true, one by one
 */
export function fullDisk(random: () => number, told: string[]): Trouble {
  return {
    async strike(server) {
      fill(server.folder);
      await new Promise((resolve) => setTimeout(resolve, random() * 400));
      // What was freed meanwhile, as by a packed file, is taken as well.
      fill(server.folder);
      if (random() < 0.5) return;
      await server.end('SIGKILL');
      await server.start().catch(() => {
        if (!saysFull.test(server.said)) told.push(server.said);
      });
    },
    async mend(server) {
      fs.rmSync(ballastOf(server.folder), { force: true });
      if (!server.isRunning) await server.start();
    },
  };
}
