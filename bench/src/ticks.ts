import { saved, says } from '@slate-path/e2e/src/browser';
import { change, send } from '@slate-path/e2e/src/classroom';
import { closeSchool, openSchool } from '@slate-path/e2e/src/school';
import { median, percentile } from './percentile';
import { bareTaps, tapToPaint, throttled } from './tapToPaint';

const students = 36;
const columns = 40;
const pupil = (index: number) => `Pupil${String(index + 1).padStart(2, '0')}`;

/** A tap on the roll's board, and one on that of a column of a sheet of 40, in one run, at four times slower a processor. */
export async function benchTicks(): Promise<Record<string, number>> {
  const { server, browser, page, room } = await openSchool('2026-11-23T10:42:00Z', students, 'phone');
  const { sectionId } = room;
  const made = Array.from({ length: columns }, (_, at) => ({
    ...{ id: `column${at}`, sectionId, name: `Thing ${at + 1}`, kind: 'tick', number: at + 1 },
    ...{ dueOn: null, legend: '', most: null, unit: '', choices: [], shown: false },
  }));
  await send(room.client, [change('tickColumn.set', { columns: made })]);
  await says(page, 'Not taken yet');
  const bare = await bareTaps(browser);
  await page.bringToFront();
  const tapAll = async () => {
    await throttled(page);
    const taps: number[] = [];
    for (let round = 0; round < 2; round += 1)
      for (let index = 0; index < students; index += 1) taps.push(await tapToPaint(page, pupil(index)));
    await saved(page);
    await throttled(page, 1);
    return taps;
  };
  const roll = await tapAll();
  await page.goto(`${server.address}/classes/${sectionId}/ticks/column7`);
  await says(page, 'A tap says');
  const ticks = await tapAll();
  await closeSchool({ server, browser });
  return {
    'tap to painted tick p50 ms (4x slower), of 40 columns': median(ticks),
    'tap to painted tick p95 ms (4x slower)': percentile(ticks, 0.95),
    'the same of the roll in this run, p50 ms': median(roll),
    'the same of the roll, p95 ms': percentile(roll, 0.95),
    'the same on a bare page, p50 ms': median(bare),
    'the same on a bare page, p95 ms': percentile(bare, 0.95),
  };
}
