import type { Response } from 'express';

/** Aborted once whoever asked has gone before the answer: what is made for them need not be made any more. */
export function nobodyWaits(response: Response): AbortSignal {
  const controller = new AbortController();
  response.once('close', () => {
    if (!response.writableFinished) controller.abort();
  });
  return controller.signal;
}
