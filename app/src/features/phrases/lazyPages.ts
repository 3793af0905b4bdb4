import { lazily } from '../../parts/lazily';

/** All that is written with blanks, in one piece: what several pieces share would come with the first screen. */
const pages = () => import('./pages');

export const EachScreen = lazily(async () => ({ default: (await pages()).EachScreen }));
export const PhraseSheet = lazily(async () => ({ default: (await pages()).PhraseSheet }));
export const PhrasesScreen = lazily(async () => ({ default: (await pages()).PhrasesScreen }));
