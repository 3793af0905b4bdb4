// The processes that read files bring the TypeScript loader by themselves, as the worker threads do.
import { register } from 'tsx/esm/api';

register();
await import('./reader.ts');
