import { isAnswer, parsers } from './parsers';

/** One input for one parser. */
export interface Asked {
  parser: string;
  /** In base64. */
  bytes: string;
}

/** What it took: milliseconds of processor time; and what was thrown that is no answer. */
export interface Took {
  ms: number;
  error: string | null;
}

process.on('message', ({ parser, bytes }: Asked) => {
  void (async () => {
    const input = new Uint8Array(Buffer.from(bytes, 'base64'));
    const begun = process.cpuUsage();
    let error: string | null = null;
    try {
      await parsers[parser]?.read(input);
    } catch (thrown) {
      if (!isAnswer(thrown))
        error = thrown instanceof Error ? (thrown.stack ?? thrown.message) : String(thrown);
    }
    const { user, system } = process.cpuUsage(begun);
    process.send?.({ ms: (user + system) / 1000, error } satisfies Took);
  })();
});
process.on('disconnect', () => process.exit(0));
