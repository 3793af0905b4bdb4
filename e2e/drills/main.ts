import { eraseAndRestore } from './eraseAndRestore';
import { killAndRestart } from './killAndRestart';

/** `npm run drill [rounds]`: 200 rounds of writing and 200 of all else, unless another number is given. */
const rounds = Number(process.argv[2] ?? 200);
const writing = await killAndRestart(rounds, Math.random);
console.log('writing', JSON.stringify(writing));
const all = await eraseAndRestore(rounds, Math.random);
console.log('all operations', JSON.stringify(all));
const bad = [writing.lost, writing.doubled, writing.half, all.lost, all.left, all.gone, all.notStarted];
if (bad.some((count) => count > 0)) process.exit(1);
