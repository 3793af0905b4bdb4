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

  async get<A>(path: string): Promise<A> {
    return this.answer<A>(path, await this.fetch(path));
  }

  async postJson<A>(path: string, body: unknown): Promise<A> {
    const headers = { 'Content-Type': 'application/json' };
    return this.answer<A>(
      path,
      await this.fetch(path, { method: 'POST', headers, body: JSON.stringify(body) }),
    );
  }

  async postFile<A>(path: string, file: string | Uint8Array): Promise<A> {
    const headers = { 'Content-Type': 'application/octet-stream' };
    return this.answer<A>(
      path,
      await this.fetch(path, { method: 'POST', headers, body: file as RequestInit['body'] }),
    );
  }

  private async answer<A>(path: string, response: Response): Promise<A> {
    if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
    return (await response.json()) as A;
  }
}
