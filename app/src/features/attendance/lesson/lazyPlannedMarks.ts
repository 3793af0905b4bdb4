import { lazily } from '../../../parts/lazily';

/** Loaded with the first list of marks that are to be made: two pages have it. */
export const PlannedMarks = lazily(() => import('./PlannedMarks'));
