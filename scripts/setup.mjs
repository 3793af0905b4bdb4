import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { must, root } from './run.mjs';

const lock = path.join(root, 'package-lock.json');
const stamp = path.join(root, 'node_modules', '.slate-installed');

function lockHash() {
  return createHash('sha256').update(fs.readFileSync(lock)).digest('hex');
}

/** Installs the packages when they are missing or others than the lock file names. */
export function ensurePackages() {
  const installed = fs.existsSync(stamp) ? fs.readFileSync(stamp, 'utf8') : '';
  if (installed === lockHash()) return;
  console.log('Installing packages (the database driver is compiled: about three minutes)…');
  // A tree that is there already is brought up to date without compiling the driver again.
  const command = fs.existsSync(path.join(root, 'node_modules', 'better-sqlite3')) ? 'install' : 'ci';
  must('npm', [command, '--no-progress', '--loglevel', 'error']);
  fs.writeFileSync(stamp, lockHash());
}

const chromium = process.env.CHROMIUM ?? '/usr/bin/chromium';

/** Debian's Chromium for the browser tests, and its reader of workbooks that checks ours, where missing. */
export function ensureTestPrograms() {
  const reader = spawnSync('/usr/bin/python3', ['-c', 'import openpyxl']).status === 0;
  const missing = [...(fs.existsSync(chromium) ? [] : ['chromium']), ...(reader ? [] : ['python3-openpyxl'])];
  if (missing.length === 0) return;
  console.log(`Installing ${missing.join(' and ')} from Debian’s packages…`);
  must('apt-get', ['update', '-qq']);
  must('apt-get', ['install', '-y', '-qq', ...missing], { DEBIAN_FRONTEND: 'noninteractive' });
}
