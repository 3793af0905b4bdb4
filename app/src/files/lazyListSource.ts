import { lazily } from '../parts/lazily';

/** Loaded with the first page that takes a list: several do, none of them is the first screen. */
export const ListSource = lazily(() => import('./ListSource'));

/** Beside it: what is said of the lines of a list that was read. */
export const LinesSaid = lazily(() => import('./LinesSaid'));
