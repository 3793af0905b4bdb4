import { killAndRestart } from './killAndRestart';

/** `npm run drill [rounds]`: 200 rounds unless another number is given. */
const rounds = Number(process.argv[2] ?? 200);
const result = await killAndRestart(rounds, Math.random);
console.log(JSON.stringify(result));
if (result.lost + result.doubled + result.half > 0) process.exit(1);
