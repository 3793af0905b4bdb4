import { buildApp } from './build.mjs';
import { buildServer } from './buildServer.mjs';

await buildApp();
await buildServer();
await import('../server/dist/main.mjs');
