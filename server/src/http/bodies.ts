import express, { type Request, type RequestHandler, type Response } from 'express';
import { Problem } from './problem';
import type { Route } from './route';

const largestJson = 2_000_000;
/** Names, a passphrase, what a student says: nobody has signed in yet. */
const largestOfStrangers = 16_000;

/** What a page without scripts sends, in the longest way to write it. */
const largestForm = 200_000;

/** Bytes of bodies that may be held at one time: in all, and from one address, which may be a whole school's. */
const mostInHand = 160_000_000;
const mostOfAddress = 120_000_000;

/** Counts what the bodies of requests in hand may hold, from before they are read until they are answered. */
export class BytesInHand {
  private all = 0;
  private readonly byAddress = new Map<string, number>();

  constructor(
    private readonly most = mostInHand,
    private readonly mostEach = mostOfAddress,
  ) {}

  /** @returns false where there is no room; then nothing is counted */
  take(address: string, bytes: number): boolean {
    const own = (this.byAddress.get(address) ?? 0) + bytes;
    if (own > this.mostEach || this.all + bytes > this.most) return false;
    this.all += bytes;
    this.byAddress.set(address, own);
    return true;
  }

  give(address: string, bytes: number): void {
    this.all -= bytes;
    const own = (this.byAddress.get(address) ?? 0) - bytes;
    if (own > 0) this.byAddress.set(address, own);
    else this.byAddress.delete(address);
  }
}

/** How many bytes a route takes at most. */
function largestBody({ fileUpTo, form, allow }: Route): number {
  if (fileUpTo) return fileUpTo;
  if (form) return largestForm;
  return allow === 'anyone' ? largestOfStrangers : largestJson;
}

function roomFor(largest: number, inHand: BytesInHand): RequestHandler {
  return (request: Request, response: Response, next) => {
    const said = request.headers['content-length'];
    // One that does not say its length may have as much as the route takes.
    const bytes = said === undefined ? largest : Number(said);
    if (bytes > largest)
      throw new Problem(413, 'Too large', 'This is larger than the server takes. Nothing was saved.');
    const address = request.ip ?? '';
    if (!inHand.take(address, bytes)) {
      response.setHeader('Retry-After', '5');
      throw new Problem(
        503,
        'Too much at once',
        'The server has too many files in hand. Nothing was saved; try again in a moment.',
      );
    }
    response.once('close', () => {
      inHand.give(address, bytes);
    });
    next();
  };
}

/**
 * Reads a route's body, for a caller who is allowed to call it: within its size, never packed (a few bytes could
 * unpack to any number), and only while there is room for it.
 */
export function bodyReader(route: Route, inHand: BytesInHand): RequestHandler[] {
  if (!route.fileUpTo && !route.body) return [];
  const limit = largestBody(route);
  if (route.form)
    return [roomFor(limit, inHand), express.urlencoded({ extended: false, limit, inflate: false })];
  const read = route.fileUpTo
    ? express.raw({ type: () => true, limit, inflate: false })
    : express.json({ limit, inflate: false });
  return [roomFor(limit, inHand), read];
}
