import { keptChoice } from '../../../sync/keptChoice';

/** Where students stand on the tally's board on this device. */
export const tileOrder = keptChoice<'name' | 'seat'>('slate-tile-order', ['name', 'seat']);
