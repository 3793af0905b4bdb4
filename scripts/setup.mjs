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

/** Installs the packages when they are missing or others than the lock file names; nothing of them is compiled. */
function installPackages() {
  const installed = fs.existsSync(stamp) ? fs.readFileSync(stamp, 'utf8') : '';
  if (installed === lockHash()) return;
  console.log('Installing packages…');
  const command = fs.existsSync(path.join(root, 'node_modules')) ? 'install' : 'ci';
  must('npm', [command, '--ignore-scripts', '--no-progress', '--loglevel', 'error']);
  fs.writeFileSync(stamp, lockHash());
}

const driver = path.join(root, 'node_modules', 'better-sqlite3', 'build', 'Release', 'better_sqlite3.node');

/** Compiles the database driver where that was not done. */
export function ensureDriver() {
  if (fs.existsSync(driver)) return;
  console.log('Compiling the database driver (about three minutes)…');
  must('npm', ['rebuild', 'better-sqlite3', '--no-progress', '--loglevel', 'error']);
}

/** All packages, ready to run. @param options.driver false where no database is opened */
export function ensurePackages({ driver: isWanted = true } = {}) {
  installPackages();
  if (isWanted) ensureDriver();
}

const chromium = process.env.CHROMIUM ?? '/usr/bin/chromium';

/** Debian's Chromium for the browser tests, and its readers of workbooks and PDFs that check ours, where missing. */
export function ensureTestPrograms() {
  const reader = spawnSync('/usr/bin/python3', ['-c', 'import openpyxl']).status === 0;
  const missing = [
    ...(fs.existsSync(chromium) ? [] : ['chromium']),
    ...(reader ? [] : ['python3-openpyxl']),
    ...(fs.existsSync('/usr/bin/pdftotext') ? [] : ['poppler-utils']),
  ];
  if (missing.length === 0) return;
  console.log(`Installing ${missing.join(', ')} from Debian’s packages…`);
  must('apt-get', ['update', '-qq']);
  must('apt-get', ['install', '-y', '-qq', ...missing], { DEBIAN_FRONTEND: 'noninteractive' });
}
