import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import { keptChoice } from '../sync/keptChoice';

/** Where printers take Letter. */
const letterRegions = new Set('US CA MX PH CL CO VE CR PA GT SV NI DO PR'.split(' '));
const takesLetter = letterRegions.has(new Intl.Locale(navigator.language).region ?? '');

/** The sheet that files are made for: chosen on this device, else what is usual where its language is from. */
export const { use: usePaperSize, choose: choosePaperSize } = keptChoice<PaperSize>(
  'slate-paper',
  takesLetter ? ['Letter', 'A4'] : ['A4', 'Letter'],
);
