import { lazily } from '../../../parts/lazily';

/** The frame of a class's pages, loaded once for all of them and not with the first screen. */
export const ClassPage = lazily(() => import('./ClassPage'));
