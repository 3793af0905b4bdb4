import { lazily } from '../parts/lazily';

/** Loaded with the first page that takes a list: several do, none of them is the first screen. */
export const ListSource = lazily(() => import('./ListSource'));
