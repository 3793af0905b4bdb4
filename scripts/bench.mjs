import { buildApp, buildBare } from './build.mjs';
import { buildServer } from './buildServer.mjs';
import { must } from './run.mjs';
import { ensureTestPrograms } from './setup.mjs';

ensureTestPrograms();
await buildApp();
await buildServer();
if (process.argv.length < 3 || process.argv.includes('browser')) await buildBare();
must('node', ['--import', 'tsx', 'bench/src/main.ts', ...process.argv.slice(2)]);
