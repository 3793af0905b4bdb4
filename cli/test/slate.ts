import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'slate-'));

/** A file with some content. @returns its path */
export function fileOf(name: string, content: string | Uint8Array): string {
  const file = path.join(folder, name);
  fs.writeFileSync(file, content);
  return file;
}

/** Runs a `slate` command in a school in Dublin. */
export const slate = (...words: string[]) =>
  spawnSync('node', ['--import', 'tsx', 'cli/src/main.ts', ...words], {
    encoding: 'utf8',
    env: { ...process.env, TZ: 'Europe/Dublin' },
  });
