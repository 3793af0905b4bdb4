import { lazily } from '../../../parts/lazily';

/** Loaded with the first list that has somebody to ask about: two pages have it. */
export const EntryQuestions = lazily(() => import('./EntryQuestions'));
