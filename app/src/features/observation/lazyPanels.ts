import { lazily } from '../../parts/lazily';

/** What is seen in a lesson, in one piece: what several pieces share would come with the first screen. */
const panels = () => import('./panels');

export const CirclePanel = lazily(async () => ({ default: (await panels()).CirclePanel }));
export const SweepPanel = lazily(async () => ({ default: (await panels()).SweepPanel }));
export const TallyPanel = lazily(async () => ({ default: (await panels()).TallyPanel }));
export const TallySheet = lazily(async () => ({ default: (await panels()).TallySheet }));
export const TileOrder = lazily(async () => ({ default: (await panels()).TileOrder }));
export const TurnsPanel = lazily(async () => ({ default: (await panels()).TurnsPanel }));
export const Played = lazily(async () => ({ default: (await panels()).Played }));
export const ScreenPage = lazily(async () => ({ default: (await panels()).ScreenPage }));
export const SidesPanel = lazily(async () => ({ default: (await panels()).SidesPanel }));
export const ToneOnLine = lazily(async () => ({ default: (await panels()).ToneOnLine }));
export const WatchPanel = lazily(async () => ({ default: (await panels()).WatchPanel }));
export const WatchedScreen = lazily(async () => ({ default: (await panels()).WatchedScreen }));
export const Watched = lazily(async () => ({ default: (await panels()).Watched }));
export const TonePanel = lazily(async () => ({ default: (await panels()).TonePanel }));
