import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'slate-'));

/** A file with some text. @returns its path */
export function fileOf(name: string, text: string): string {
  const file = path.join(folder, name);
  fs.writeFileSync(file, text);
  return file;
}

/** Runs a `slate` command in a school in Dublin. */
export const slate = (...words: string[]) =>
  spawnSync('node', ['--import', 'tsx', 'cli/src/main.ts', ...words], {
    encoding: 'utf8',
    env: { ...process.env, TZ: 'Europe/Dublin' },
  });
