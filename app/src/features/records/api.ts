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

export async function postJson<A>(path: string, body: unknown): Promise<A> {
  const headers = { 'Content-Type': 'application/json' };
  const response = await request(path, { method: 'POST', headers, body: JSON.stringify(body) });
  return (await response.json()) as A;
}

export async function postFile<A>(path: string, file: Blob): Promise<A> {
  const headers = { 'Content-Type': 'application/octet-stream' };
  const response = await request(path, { method: 'POST', headers, body: file });
  return (await response.json()) as A;
}
