import { buildApp } from './build.mjs';
import { must } from './run.mjs';
import { ensureTestPrograms } from './setup.mjs';

ensureTestPrograms();
await buildApp();
must('node', ['--import', 'tsx', 'bench/src/main.ts', ...process.argv.slice(2)]);
