import path from 'node:path';
import { fuzzParsers } from '../fuzz/fuzzParsers';
import { fuzzRoutes } from '../fuzz/fuzzRoutes';

const files = path.join(process.cwd(), 'demo/files');

/* The short form of `npm run fuzz`: always the same inputs, so that what fails here fails again. */
test('hostile texts and files end nothing, and are read in under a second each', async () => {
  const { found, peakMegabytes } = await fuzzParsers(2000, 1, files);
  expect(found).toEqual([]);
  expect(peakMegabytes).toBeLessThan(400);
});

test('hostile requests are answered, and the server goes on', async () => {
  const { found, peakMegabytes } = await fuzzRoutes(400, 1, files);
  expect(found).toEqual([]);
  expect(peakMegabytes).toBeLessThan(400);
});
