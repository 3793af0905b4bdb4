import { lookup } from 'node:dns/promises';
import { statementsAt } from '@slate-path/core/work/feed/storeAddress';

/** A store that did not give what it was asked for; the sentence says what happened. */
export class StoreProblem extends Error {
  constructor(
    message: string,
    /** Of its answer; null where there was none, or one that is no answer. */
    readonly status: number | null = null,
  ) {
    super(message);
  }
}

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
  const { cause } = error as { cause?: { code?: string } };
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
  throw new StoreProblem(refusals[status] ?? `It answers with an error (${status}).`, status);
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

/** Does something that ends when it takes too long, or when the server stops. */
async function within<T>(
  seconds: number,
  closing: AbortSignal,
  work: (signal: AbortSignal) => Promise<T>,
): Promise<T> {
  const controller = new AbortController();
  const end = (why: string) => () => {
    controller.abort(new StoreProblem(why));
  };
  const timer = setTimeout(end(`It took longer than ${seconds} seconds.`), seconds * 1000);
  const stop = end('Asking was broken off: the server stopped.');
  closing.addEventListener('abort', stop, { once: true });
  if (closing.aborted) stop();
  try {
    return await work(controller.signal);
  } finally {
    clearTimeout(timer);
    closing.removeEventListener('abort', stop);
  }
}

const headersOf = ({ userName, password }: StoreAccess, version: string): Record<string, string> => ({
  'X-Experience-API-Version': version,
  Accept: 'application/json',
  ...(userName || password
    ? { Authorization: `Basic ${Buffer.from(`${userName}:${password}`).toString('base64')}` }
    : {}),
});

async function answerOf(url: URL, access: StoreAccess, signal: AbortSignal): Promise<StoreAnswer> {
  const ask = (version: string) =>
    fetch(url, { headers: headersOf(access, version), redirect: 'manual', signal });
  await checkHost(url);
  let { version } = access;
  let response = await ask(version);
  // What a store says to a version that it does not speak.
  if (response.status === 400) {
    await response.body?.cancel();
    version = versions.find((other) => other !== access.version) ?? version;
    response = await ask(version);
  }
  demandGood(response);
  const through = Date.parse(response.headers.get('X-Experience-API-Consistent-Through') ?? '');
  return { bytes: await bytesOf(response), through: Number.isNaN(through) ? null : through, version };
}

/** Asks for one page, from the first byte to the last within some seconds. @throws StoreProblem */
export async function askPage(
  url: URL,
  access: StoreAccess,
  closing: AbortSignal,
  seconds: number = bounds.seconds,
): Promise<StoreAnswer> {
  try {
    return await within(seconds, closing, (signal) => answerOf(url, access, signal));
  } catch (error) {
    throw problemOf(error);
  }
}
