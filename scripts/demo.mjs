import { buildApp } from './build.mjs';

await buildApp();
const { register } = await import('tsx/esm/api');
register();
await import('../demo/src/main.ts');
