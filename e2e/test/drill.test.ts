import { eraseAndRestore } from '../drills/eraseAndRestore';
import { killAndRestart } from '../drills/killAndRestart';

test('four rounds of killing the server under writes: what was acknowledged is there, once (npm run drill: 200)', async () => {
  const moments = [0.1, 0.9, 0.4, 0.7];
  const { acknowledged, told, ...bad } = await killAndRestart(4, () => moments.pop() ?? 0.5);
  expect([acknowledged > 20, told > 10]).toEqual([true, true]);
  expect(bad).toEqual({ rounds: 4, lost: 0, doubled: 0, half: 0, seenByOther: 0, astray: 0 });
});

test('five rounds of killing it while it erases, backs up, brings in and restores (npm run drill: 200)', async () => {
  const moments = [0.5, 0.3, 0.6, 0.5, 0.2, 0.8, 0.4];
  const { acknowledged, done: _done, ...bad } = await eraseAndRestore(5, () => moments.pop() ?? 0.5);
  expect(acknowledged).toBeGreaterThan(20);
  expect(bad).toEqual({ rounds: 5, lost: 0, left: 0, gone: 0, notStarted: 0, untrue: [] });
});
