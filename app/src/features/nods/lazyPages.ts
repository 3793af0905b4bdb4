import { lazily } from '../../parts/lazily';

/** All that has to do with nods, in one piece: what several pieces share would come with the first screen. */
const pages = () => import('./pages');

export const NodPanel = lazily(async () => ({ default: (await pages()).NodPanel }));
export const NodsScreen = lazily(async () => ({ default: (await pages()).NodsScreen }));
export const TellingSheet = lazily(async () => ({ default: (await pages()).TellingSheet }));
export const DrawsScreen = lazily(async () => ({ default: (await pages()).DrawsScreen }));
export const SchoolNodsScreen = lazily(async () => ({ default: (await pages()).SchoolNodsScreen }));
