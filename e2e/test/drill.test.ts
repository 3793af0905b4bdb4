import { killAndRestart } from '../drills/killAndRestart';

test('four rounds of killing the server under writes: what was acknowledged is there, once (npm run drill: 200)', async () => {
  const moments = [0.1, 0.9, 0.4, 0.7];
  const { acknowledged, ...bad } = await killAndRestart(4, () => moments.pop() ?? 0.5);
  expect(acknowledged).toBeGreaterThan(20);
  expect(bad).toEqual({ rounds: 4, lost: 0, doubled: 0, half: 0 });
});
