import type { PlantedChange } from '@slate-path/demo/simulator/students';
import { qualityOf } from './quality';
import { speedOf } from './speed';

/** Classes that the figures are told of. Their seeds (`figures 0` on) made no limit and were looked at for no choice. */
const classes = 160;
/** The same of other classes, fewer of them. */
const others = 80;

async function qualityOfOthers(family: string, words: string, stories?: readonly PlantedChange[]) {
  const figures = await qualityOf(family, others, stories);
  return Object.fromEntries(Object.entries(figures).map(([name, value]) => [`${words}, ${name}`, value]));
}

/** How well and how fast the watch list tells who has changed. */
export async function benchSignals(): Promise<Record<string, number>> {
  return {
    ...(await speedOf()),
    ...(await qualityOf('figures', classes)),
    // As the design has it for orientation.
    ...(await qualityOfOthers('independent', 'independent days')),
    ...(await qualityOfOthers('roll', 'roll and tallies only', ['absence', 'voice'])),
  };
}
