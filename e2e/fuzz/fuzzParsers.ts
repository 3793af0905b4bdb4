import { fork, type ChildProcess } from 'node:child_process';
import path from 'node:path';
import fc from 'fast-check';
import { hostileFile, hostileText } from './inputs';
import type { Took } from './parserProcess';
import { parsers } from './parsers';
import { megabytesOf, type Finding, type Findings } from './findings';

// npm runs every script of the project in its root.
const program = path.join(process.cwd(), 'e2e/fuzz/parserProcess.ts');
const slowMs = 1000;
/** So long, by the clock, one input is waited for: then it never ends. */
const longestMs = 30_000;

/** A process that reads, and is started again where it was ended. */
class Reader {
  private child: ChildProcess | null = null;
  peak = 0;

  async read(parser: string, input: Uint8Array): Promise<Took | 'ended'> {
    const child = (this.child ??= fork(program, [], {
      execArgv: ['--import', 'tsx', '--max-old-space-size=400'],
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    }));
    const took = await new Promise<Took | 'ended'>((resolve) => {
      const timer = setTimeout(() => child.kill('SIGKILL'), longestMs);
      const settle = (outcome: Took | 'ended') => {
        clearTimeout(timer);
        child.removeAllListeners();
        resolve(outcome);
      };
      child.once('message', settle as never);
      child.once('exit', () => {
        this.child = null;
        settle('ended');
      });
      child.send({ parser, bytes: Buffer.from(input).toString('base64') });
    });
    this.peak = Math.max(this.peak, megabytesOf(child.pid));
    return took;
  }

  close(): void {
    this.child?.kill('SIGKILL');
  }
}

/**
 * Gives every parser its share of inputs.
 * @param count of all @param files a folder with files to damage @param seed makes the same inputs again
 */
export async function fuzzParsers(count: number, seed: number, files: string): Promise<Findings> {
  const reader = new Reader();
  const found: Finding[] = [];
  const names = Object.keys(parsers);
  const each = Math.ceil(count / names.length);
  let slowest = { ms: 0, what: '' };
  for (const name of names) {
    const { longest, takes } = parsers[name]!;
    const inputs: fc.Arbitrary<string | Uint8Array> =
      takes === 'file' ? hostileFile(files, longest) : hostileText(longest);
    // Sampled a part at a time: a long text in each of a hundred thousand would not fit.
    for (let from = 0; from < each; from += 200)
      for (const sample of fc.sample(inputs, {
        seed: seed + from,
        numRuns: Math.min(200, each - from),
      })) {
        const input = typeof sample === 'string' ? Buffer.from(sample) : sample;
        const took = await reader.read(name, input);
        const shown = `${name}: ${JSON.stringify(Buffer.from(input).toString('latin1').slice(0, 80))} (${input.length} bytes)`;
        if (took === 'ended') found.push({ kind: 'ended', what: shown });
        else {
          if (took.error !== null) found.push({ kind: 'threw', what: `${shown}\n${took.error}` });
          if (took.ms > slowMs) found.push({ kind: 'slow', what: `${shown}: ${Math.round(took.ms)} ms` });
          if (took.ms > slowest.ms) slowest = { ms: took.ms, what: shown };
        }
      }
  }
  reader.close();
  return { inputs: each * names.length, found, slowest, peakMegabytes: reader.peak };
}
