import { lazily } from '../../../parts/lazily';

/** With all that is dragged. */
export const RoomScreen = lazily(async () => ({ default: (await import('../../arranging')).RoomScreen }));
