import { lazily } from '../../parts/lazily';

/** What these pages share is loaded with the first of them: imported by several routes it would come with the first screen. */
const pages = () => import('./pages');

export const ClassWorkScreen = lazily(async () => ({ default: (await pages()).ClassWorkScreen }));
export const PiecesScreen = lazily(async () => ({ default: (await pages()).PiecesScreen }));
export const PieceScreen = lazily(async () => ({ default: (await pages()).PieceScreen }));
export const StudentDayScreen = lazily(async () => ({ default: (await pages()).StudentDayScreen }));
export const BringScreen = lazily(async () => ({ default: (await pages()).BringScreen }));
export const FeedScreen = lazily(async () => ({ default: (await pages()).FeedScreen }));
