// Worker threads do not inherit the TypeScript loader of the main thread, so each brings its own.
import { parentPort, workerData } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

register();
const { followClass } = await import('./engine.ts');
parentPort.postMessage(workerData.map((seed) => followClass(seed)));
