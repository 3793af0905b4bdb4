import { benchBigScreen } from './bigScreen';
import { benchBrowser } from './browser';
import { benchCheckIn } from './checkIn';
import { benchDurable } from './durable';
import { benchErasing } from './erasing';
import { benchLoad } from './load';
import { benchManyTeachers } from './manyTeachers';
import { benchMatching } from './matching';
import { benchMemory } from './memory';
import { benchMonth } from './month';
import { benchNotes } from './notes';
import { benchPapers } from './papers';
import { benchReaderPage } from './readerPage';
import { benchSignals } from './signals';
import { benchTallies } from './tallies';
import { benchSeating } from './seating';
import { benchTicks } from './ticks';
import { benchThumb } from './thumb';
import { benchViews } from './views';
import { benchWork } from './work';

const parts: Record<string, () => Promise<Record<string, number>>> = {
  durable: benchDurable,
  matching: benchMatching,
  views: benchViews,
  manyTeachers: benchManyTeachers,
  memory: benchMemory,
  month: benchMonth,
  notes: benchNotes,
  signals: benchSignals,
  checkIn: benchCheckIn,
  tallies: benchTallies,
  load: benchLoad,
  erasing: benchErasing,
  browser: benchBrowser,
  thumb: benchThumb,
  ticks: benchTicks,
  seating: benchSeating,
  bigScreen: benchBigScreen,
  work: benchWork,
  readerPage: benchReaderPage,
  papers: benchPapers,
};

/** `npm run bench [-- part...]`: every figure measured in one run, medians or percentiles of several. */
const wanted = process.argv.slice(2);
for (const [name, part] of Object.entries(parts)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  for (const [figure, value] of Object.entries(await part()))
    console.log(`${figure.padEnd(60)} ${value.toFixed(2)}`);
}
process.exit(0);
