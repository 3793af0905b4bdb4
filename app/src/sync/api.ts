import type { Address } from '@slate-path/core/api/address';
import type { AnswerOf, Given } from '@slate-path/core/api/contract';
import type { OperationName } from '@slate-path/core/api/operations';
import { setClock } from './clock';

/** An answer of the server that is a problem (RFC 9457), or no answer at all. */
export class ApiProblem extends Error {
  constructor(
    /** 0 when there was no answer. */
    readonly status: number,
    readonly detail: string,
    readonly errors: readonly { field: string; message: string }[] = [],
  ) {
    super(detail);
  }
}

interface Problem {
  detail?: string;
  errors?: { field: string; message: string }[];
}

export const noAnswer = 'The server does not answer. What you did is kept on this device.';

async function problemOf(response: Response): Promise<ApiProblem> {
  const problem = (await response.json().catch(() => ({}))) as Problem;
  return new ApiProblem(
    response.status,
    problem.detail ?? `The server answered ${response.status}.`,
    problem.errors,
  );
}

/** One request. @throws ApiProblem for anything but a good answer (304 counts as good) */
export async function request(path: string, init: RequestInit = {}): Promise<Response> {
  const askedAt = Date.now();
  let response: Response;
  try {
    response = await fetch(path, { credentials: 'same-origin', cache: 'no-store', ...init });
  } catch {
    throw new ApiProblem(0, noAnswer);
  }
  const serverNow = response.headers.get('Slate-Now');
  if (serverNow) setClock(serverNow, askedAt);
  if (response.ok || response.status === 304) return response;
  throw await problemOf(response);
}

/** Asks for what an operation answers. @throws ApiProblem */
export async function ask<N extends OperationName>(address: Address<N>): Promise<AnswerOf<N>> {
  return (await (await request(address)).json()) as AnswerOf<N>;
}

async function send<N extends OperationName>(
  address: Address<N>,
  type: string,
  body: BodyInit,
): Promise<AnswerOf<N>> {
  const response = await request(address, { method: 'POST', headers: { 'Content-Type': type }, body });
  return (await response.json()) as AnswerOf<N>;
}

/** Nothing where an operation takes no body. */
type BodyGiven<N extends OperationName> = unknown extends Given<N, 'body'> ? [] : [body: Given<N, 'body'>];

/** Has something done. @throws ApiProblem */
export function post<N extends OperationName>(
  address: Address<N>,
  ...[body]: BodyGiven<N>
): Promise<AnswerOf<N>> {
  return send(address, 'application/json', JSON.stringify(body ?? {}));
}

/** Hands a file in. @throws ApiProblem */
export function postFile<N extends OperationName>(address: Address<N>, file: Blob): Promise<AnswerOf<N>> {
  return send(address, 'application/octet-stream', file);
}
