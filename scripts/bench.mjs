import { buildApp } from './build.mjs';
import { must } from './run.mjs';
import { ensureChromium } from './setup.mjs';

ensureChromium();
await buildApp();
must('node', ['--import', 'tsx', 'bench/src/main.ts']);
