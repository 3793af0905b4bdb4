import type { Response } from 'express';
import { gonePage } from '@slate-path/core/sharing/readerPage/render/page';

/** A page by a link alone: kept by nobody on the way, found by no search, and its address told to no other site. */
export function asPublicPage(response: Response): void {
  response.setHeader('Cache-Control', 'no-store');
  response.setHeader('X-Robots-Tag', 'noindex, nofollow, noarchive');
  response.setHeader('Referrer-Policy', 'same-origin');
  response.setHeader(
    'Content-Security-Policy',
    "default-src 'none'; style-src 'self' 'unsafe-inline'; font-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'",
  );
  response.removeHeader('Slate-Now');
}

/** The same answer to a link that has ended, one with a slip in it, and one that never was. */
export function gone(response: Response): string {
  response.status(404);
  return gonePage();
}
