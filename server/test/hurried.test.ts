import { Hurried } from '../src/database/hurried';

const soon = () => new Promise((resolve) => setTimeout(resolve, 5));

test('what is long waits for who has come to write, but not for ever for one that never ends', async () => {
  const hurried = new Hurried();
  await hurried.nobody();
  const done = hurried.come();
  const passed: string[] = [];
  const first = hurried.nobody().then(() => passed.push('first'));
  await soon();
  expect(passed).toEqual([]);
  done();
  await first;

  // One that does not go: waited for a moment, then left alone.
  hurried.come();
  await hurried.nobody();
  await hurried.nobody();
  expect(passed).toEqual(['first']);
});

test('a crowd in which somebody always waits does not hold it up for ever', async () => {
  const hurried = new Hurried();
  const coming = setInterval(() => hurried.come(), 5);
  hurried.come();
  await hurried.nobody();
  await hurried.nobody();
  clearInterval(coming);
});
