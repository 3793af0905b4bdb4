// Worker threads do not inherit the TypeScript loader of the main thread, so each brings its own.
import { register } from 'tsx/esm/api';

register();
export default (await import('./worker.ts')).default;
