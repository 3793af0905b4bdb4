import { eraseAndRestore } from './eraseAndRestore';
import { killAndRestart } from './killAndRestart';
import { mailDrill } from './mail';
import { fullDisk, mountSmallDisk } from './troubles';

/**
 * `npm run drill [rounds] [what]`: 200 rounds of each, unless another number is given. `what` is `writing`, `operations`,
 * `fullDisk` or `mail` (with a quarter as many kills); without it all four.
 */
const rounds = Number(process.argv[2] ?? 200);
const what = process.argv[3];

const drills: Record<string, () => Promise<object>> = {
  writing: () => killAndRestart(rounds, Math.random),
  operations: () => eraseAndRestore(rounds, Math.random),
  fullDisk: async () => {
    const untrueStarts: string[] = [];
    const trouble = fullDisk(Math.random, untrueStarts);
    const found = await eraseAndRestore(rounds, Math.random, trouble, mountSmallDisk());
    return { ...found, untrueStarts };
  },
  mail: () => mailDrill(Math.ceil(rounds / 4), Math.random),
};

/** What a drill must not find. */
const bad = [
  'lost',
  'doubled',
  'half',
  'seenByOther',
  'astray',
  'left',
  'gone',
  'notStarted',
  'untrue',
  'untrueStarts',
];
const isBad = ([name, found]: [string, unknown]) =>
  bad.includes(name) && (Array.isArray(found) ? found.length > 0 : found !== 0);

for (const [name, drill] of Object.entries(drills)) {
  if (what !== undefined && what !== name) continue;
  const found = await drill();
  console.log(name, JSON.stringify(found, null, 1));
  if (Object.entries(found).some(isBad)) process.exitCode = 1;
}
