import { fuzzParsers } from './fuzzParsers';
import { fuzzRoutes } from './fuzzRoutes';

/**
 * `npm run fuzz [inputs] [seed]`: hostile inputs for everything that reads, and for every route of a running server;
 * 100,000 unless another number is given, one in five of them a request. Ends with 1 where a process ended, threw what
 * is no answer, took over a second of processor time, or held over 400 MB.
 */
const [inputs = '100000', seed = String(Date.now() % 1_000_000)] = process.argv.slice(2);
const files = 'demo/files';
const requests = Math.round(Number(inputs) / 5);
let failed = false;
for (const [name, findings] of [
  ['parsers', await fuzzParsers(Number(inputs) - requests, Number(seed), files)],
  ['routes', await fuzzRoutes(requests, Number(seed), files)],
] as const) {
  const { found, slowest, peakMegabytes } = findings;
  const count = (kind: string) => found.filter((finding) => finding.kind === kind).length;
  console.log(
    `${name}: ${findings.inputs} inputs (seed ${seed}), ${count('ended')} ended, ${count('threw')} threw, ${count('slow')} over a second, at most ${Math.round(peakMegabytes)} MB`,
  );
  console.log(`  slowest ${Math.round(slowest.ms)} ms: ${slowest.what}`);
  for (const { kind, what } of found.slice(0, 20)) console.log(`  ${kind}: ${what}`);
  if (found.length > 0 || peakMegabytes > 400) failed = true;
}
process.exit(failed ? 1 : 0);
