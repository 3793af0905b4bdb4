import { lazily } from '../../parts/lazily';

/** Many pages show notes, the first screen none. */
export const NoteCard = lazily(() => import('./NoteCard'));
