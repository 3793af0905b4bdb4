import { lazily } from '../../parts/lazily';

/** The frame of Watch's pages, loaded once for all of them and not with the first screen. */
export const WatchPage = lazily(() => import('./WatchPage'));
