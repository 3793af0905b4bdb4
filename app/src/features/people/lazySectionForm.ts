import { lazily } from '../../parts/lazily';

/** Loaded when a class is first made or changed: two pages have it. */
export const SectionForm = lazily(() => import('./SectionForm'));
