import { qualityOf } from './quality';
import { speedOf } from './speed';

/** Classes that the figures are told of. Their seeds (`figures 0` on) made no limit and were looked at for no choice. */
const classes = 160;

/** The same where days know nothing of each other, as the design has it for orientation: `independent 0` on. */
async function qualityOfIndependent(): Promise<Record<string, number>> {
  const figures = await qualityOf('independent', classes);
  return Object.fromEntries(
    Object.entries(figures).map(([name, value]) => [`independent days, ${name}`, value]),
  );
}

/** How well and how fast the watch list tells who has changed. */
export async function benchSignals(): Promise<Record<string, number>> {
  return {
    ...(await speedOf()),
    ...(await qualityOf('figures', classes)),
    ...(await qualityOfIndependent()),
  };
}
