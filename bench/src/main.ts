import { benchBrowser } from './browser';
import { benchDurable } from './durable';

/** `npm run bench`: every figure measured in one run, medians or percentiles of several. */
const figures: Record<string, number> = { ...(await benchDurable()), ...(await benchBrowser()) };
for (const [name, value] of Object.entries(figures)) console.log(`${name.padEnd(44)} ${value.toFixed(2)}`);
process.exit(0);
