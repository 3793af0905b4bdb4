import { lazily } from '../../parts/lazily';

/** What these pages share is loaded with the first of them: imported by several routes it would come with the first screen. */
const pages = () => import('./pages');

export const NewPageScreen = lazily(async () => ({ default: (await pages()).NewPageScreen }));
export const OwnViewScreen = lazily(async () => ({ default: (await pages()).OwnViewScreen }));
export const PagesOfStudent = lazily(async () => ({ default: (await pages()).PagesOfStudent }));
export const PapersScreen = lazily(async () => ({ default: (await pages()).PapersScreen }));
export const SharedScreen = lazily(async () => ({ default: (await pages()).SharedScreen }));
