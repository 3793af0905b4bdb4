import { buildApp } from './build.mjs';
import { buildServer } from './buildServer.mjs';
import { must } from './run.mjs';
import { ensureTestPrograms } from './setup.mjs';

ensureTestPrograms();
await buildApp();
await buildServer();
must('node', ['--import', 'tsx', 'bench/src/main.ts', ...process.argv.slice(2)]);
