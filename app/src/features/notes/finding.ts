import { lazily } from '../../parts/lazily';

/** Both search the notes: what they share is loaded with the first of them, not with the first screen. */
const pages = () => import('./findingPages');

export const NoteSearch = lazily(async () => ({ default: (await pages()).NoteSearch }));
export const TopicScreen = lazily(async () => ({ default: (await pages()).TopicScreen }));
