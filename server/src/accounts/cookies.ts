import { parseCookie, stringifySetCookie } from 'cookie';
import type { Request, Response } from 'express';

/** A cookie of a request; undefined where it has none of this name. */
export function cookieOf(request: Request, name: string): string | undefined {
  return parseCookie(request.headers.cookie ?? '')[name];
}

/** Sets a cookie that no script reads, that no other site sends along, and that goes over HTTPS alone where that is spoken. */
export function setCookie(
  request: Request,
  response: Response,
  { name, value, path, maxAgeMs }: { name: string; value: string; path: string; maxAgeMs: number },
): void {
  response.append(
    'Set-Cookie',
    stringifySetCookie({
      ...{ name, value, path },
      httpOnly: true,
      sameSite: 'strict',
      secure: request.secure,
      maxAge: maxAgeMs / 1000,
    }),
  );
}
