import { keptChoice } from '../../../sync/keptChoice';

/** How the roll stands on this device. */
export const rollShape = keptChoice<'board' | 'list'>('slate-roll-shape', ['board', 'list']);
