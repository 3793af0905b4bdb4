import type { Address } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import type { OperationName } from '@slate-path/core/api/operations';

/** A signed-in caller of a running server: what the demo, the tests and the drills write through. */
export class ApiClient {
  private constructor(
    readonly address: string,
    readonly cookie: string,
  ) {}

  /** @param path a route that signs in @param body what it takes */
  static async signIn(address: string, path: string, body: unknown): Promise<ApiClient> {
    const response = await fetch(address + path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
    if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
    const cookie = response.headers.getSetCookie()[0]?.split(';')[0] ?? '';
    return new ApiClient(address, cookie);
  }

  fetch(path: string, init: RequestInit = {}): Promise<Response> {
    const headers = { Cookie: this.cookie, ...(init.headers as Record<string, string> | undefined) };
    return fetch(this.address + path, { ...init, headers });
  }

  /** What an operation answers; of a path that is written out, what the caller says that it does. */
  async get<N extends OperationName>(address: Address<N>): Promise<AnswerOf<N>>;
  async get<A>(path: string): Promise<A>;
  async get(path: string): Promise<unknown> {
    return this.answer(path, await this.fetch(path));
  }

  async postJson<N extends OperationName>(address: Address<N>, body: unknown): Promise<AnswerOf<N>>;
  async postJson<A>(path: string, body: unknown): Promise<A>;
  async postJson(path: string, body: unknown): Promise<unknown> {
    const headers = { 'Content-Type': 'application/json' };
    return this.answer(path, await this.fetch(path, { method: 'POST', headers, body: JSON.stringify(body) }));
  }

  async postFile<N extends OperationName>(
    address: Address<N>,
    file: string | Uint8Array,
  ): Promise<AnswerOf<N>>;
  async postFile<A>(path: string, file: string | Uint8Array): Promise<A>;
  async postFile(path: string, file: string | Uint8Array): Promise<unknown> {
    const headers = { 'Content-Type': 'application/octet-stream' };
    return this.answer(
      path,
      await this.fetch(path, { method: 'POST', headers, body: file as RequestInit['body'] }),
    );
  }

  private async answer(path: string, response: Response): Promise<unknown> {
    if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
    return response.json();
  }
}
