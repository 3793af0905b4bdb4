import { qualityOf } from './quality';
import { speedOf } from './speed';

/** Classes that the figures are told of. Their seeds (`figures 0` on) made no limit and were looked at for no choice. */
const classes = 160;

/** How well and how fast the watch list tells who has changed. */
export async function benchSignals(): Promise<Record<string, number>> {
  return { ...(await speedOf()), ...(await qualityOf('figures', classes)) };
}
