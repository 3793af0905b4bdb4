import { lazily } from './lazily';

/** Several pieces have one: by itself it does not come with the first screen. */
export const BigScreen = lazily(() => import('./BigScreen'));
