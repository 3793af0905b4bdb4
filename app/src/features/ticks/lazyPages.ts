import { lazily } from '../../parts/lazily';

/** What these pages share is loaded with the first of them: imported by several routes it would come with the first screen. */
const pages = () => import('./pages');

export const TicksScreen = lazily(async () => ({ default: (await pages()).TicksScreen }));
export const ColumnScreen = lazily(async () => ({ default: (await pages()).ColumnScreen }));
export const ClipboardScreen = lazily(async () => ({ default: (await pages()).ClipboardScreen }));
export const OwingScreen = lazily(async () => ({ default: (await pages()).OwingScreen }));
export const BringScreen = lazily(async () => ({ default: (await pages()).BringScreen }));
export const StudentTicks = lazily(async () => ({ default: (await pages()).StudentTicks }));
export const TickPanel = lazily(async () => ({ default: (await pages()).TickPanel }));
