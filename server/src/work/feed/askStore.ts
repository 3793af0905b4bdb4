import { lookup } from 'node:dns/promises';
import { statementsAt } from '@slate-path/core/work/feed/storeAddress';

/** A store that did not give what it was asked for; the sentence says what happened. */
export class StoreProblem extends Error {}

export interface StoreAccess {
  address: string;
  userName: string;
  password: string;
  course: string;
  version: string;
}

export interface StoreAnswer {
  bytes: Uint8Array;
  /** All that was stored up to here is in what was answered, in milliseconds; null where the store does not say. */
  through: number | null;
  /** Of the Experience API, that the store took. */
  version: string;
}

const bounds = { seconds: 30, bytes: 20_000_000, statements: 500 } as const;
const versions = ['1.0.3', '2.0.0'] as const;
export const firstVersion: string = versions[0];

/** The first page: what was stored after a moment, the earliest first. */
export function firstPage({ address, course }: StoreAccess, since: number | null): URL {
  const url = statementsAt(address);
  url.searchParams.set('ascending', 'true');
  url.searchParams.set('limit', String(bounds.statements));
  if (since !== null) url.searchParams.set('since', new Date(since).toISOString());
  if (course) {
    url.searchParams.set('activity', course);
    url.searchParams.set('related_activities', 'true');
  }
  return url;
}

/** A statement that does not count any more (xAPI 1.0.3, part 3, 2.1.3). */
export function voidedPage({ address }: StoreAccess, statementId: string): URL {
  const url = statementsAt(address);
  url.searchParams.set('voidedStatementId', statementId);
  return url;
}

/** Where a page says that there are more. @throws StoreProblem where that is another server's: our password is not for it */
export function nextPage(page: URL, more: string): URL {
  let url: URL | null = null;
  try {
    url = new URL(more, page);
  } catch {
    // Said below.
  }
  if (url?.origin === page.origin) return url;
  throw new StoreProblem('It points to another server for the rest, and that is not followed.');
}

/** Addresses that belong to a machine's own network card, as clouds use for their secrets. */
const linkLocal = /^(169\.254\.|fe[89ab][0-9a-f]:|::ffff:169\.254\.)/i;

async function checkHost({ hostname }: URL): Promise<void> {
  const found = await lookup(hostname.replace(/^\[|\]$/g, ''), { all: true }).catch(() => null);
  if (!found) throw new StoreProblem('There is no server of this name.');
  if (found.some(({ address }) => linkLocal.test(address)))
    throw new StoreProblem('This address is not asked: it is no server of a school.');
}

const reasons: Record<string, string> = {
  ECONNREFUSED: 'It does not answer: nothing listens at this address.',
  ECONNRESET: 'It broke off the connection.',
  UND_ERR_SOCKET: 'It broke off the connection.',
  ENOTFOUND: 'There is no server of this name.',
  EHOSTUNREACH: 'It cannot be reached.',
  ENETUNREACH: 'It cannot be reached.',
  ETIMEDOUT: 'It does not answer.',
  UND_ERR_CONNECT_TIMEOUT: 'It does not answer.',
};

function problemOf(error: unknown): StoreProblem {
  if (error instanceof StoreProblem) return error;
  const { name, cause } = error as { name?: string; cause?: { code?: string } };
  if (name === 'TimeoutError') return new StoreProblem(`It took longer than ${bounds.seconds} seconds.`);
  const code = cause?.code ?? '';
  if (/CERT|SELF_SIGNED|UNABLE_TO_(VERIFY|GET)|ERR_TLS|ERR_SSL/.test(code))
    return new StoreProblem('Its certificate cannot be trusted, so nothing was sent to it.');
  return new StoreProblem(reasons[code] ?? 'It cannot be reached.');
}

const refusals: Record<number, string> = {
  401: 'It does not take the user name and password.',
  403: 'It does not let this user read statements.',
  404: 'There are no statements at this address.',
  429: 'It asks to be asked less often.',
};

function demandGood({ status }: Response): void {
  if (status === 200) return;
  if (status >= 300 && status < 400)
    throw new StoreProblem('It sends us on to another address, and that is not followed.');
  throw new StoreProblem(refusals[status] ?? `It answers with an error (${status}).`);
}

async function bytesOf(response: Response): Promise<Uint8Array> {
  const parts: Uint8Array[] = [];
  let length = 0;
  for await (const part of (response.body ?? []) as AsyncIterable<Uint8Array>) {
    length += part.length;
    if (length > bounds.bytes)
      throw new StoreProblem(`One answer was larger than ${bounds.bytes / 1_000_000} MB.`);
    parts.push(part);
  }
  return Buffer.concat(parts);
}

/** Asks for one page. @throws StoreProblem */
export async function askPage(url: URL, access: StoreAccess, closing: AbortSignal): Promise<StoreAnswer> {
  const { userName, password, version } = access;
  const ask = (wanted: string) =>
    fetch(url, {
      headers: {
        'X-Experience-API-Version': wanted,
        Accept: 'application/json',
        ...(userName || password
          ? { Authorization: `Basic ${Buffer.from(`${userName}:${password}`).toString('base64')}` }
          : {}),
      },
      redirect: 'manual',
      signal: AbortSignal.any([closing, AbortSignal.timeout(bounds.seconds * 1000)]),
    });
  try {
    await checkHost(url);
    let taken = version;
    let response = await ask(taken);
    // What a store says to a version that it does not speak.
    if (response.status === 400) {
      await response.body?.cancel();
      taken = versions.find((other) => other !== version) ?? version;
      response = await ask(taken);
    }
    demandGood(response);
    const through = Date.parse(response.headers.get('X-Experience-API-Consistent-Through') ?? '');
    return {
      bytes: await bytesOf(response),
      through: Number.isNaN(through) ? null : through,
      version: taken,
    };
  } catch (error) {
    throw problemOf(error);
  }
}
