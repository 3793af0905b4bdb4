import http from 'node:http';
import type { AddressInfo } from 'node:net';

type Answer = (request: http.IncomingMessage, response: http.ServerResponse, url: URL) => void;

/** A record store of the test's own: it has what it is given, in pages of two, and misbehaves as it is told. */
export interface RecordStore {
  address: string;
  statements: Record<string, unknown>[];
  /** Statements that do not count any more, by id. */
  voided: Map<string, Record<string, unknown>>;
  /** It cannot tell just now what was voided. */
  failsVoided: boolean;
  /** What it was asked. */
  asked: { query: URLSearchParams; version: string; authorization: string }[];
  /** Answers in place of the store; null lets it answer. */
  instead: Answer | null;
  close(): Promise<void>;
}

const pageLength = 2;

function answerOf(store: RecordStore, url: URL): unknown {
  const voidedId = url.searchParams.get('voidedStatementId');
  if (voidedId !== null) return store.voided.get(voidedId) ?? null;
  const since = Date.parse(url.searchParams.get('since') ?? '1970-01-01T00:00:00Z');
  const from = Number(url.searchParams.get('from') ?? 0);
  const all = store.statements.filter(({ stored }) => Date.parse(String(stored)) > since);
  const more = new URL(url);
  more.searchParams.set('from', String(from + pageLength));
  return {
    statements: all.slice(from, from + pageLength),
    more: from + pageLength < all.length ? more.pathname + more.search : '',
  };
}

export async function startRecordStore(): Promise<RecordStore> {
  const server = http.createServer((request, response) => {
    const url = new URL(request.url ?? '/', 'http://store');
    const { authorization = '', 'x-experience-api-version': version } = request.headers;
    store.asked.push({ query: url.searchParams, version: String(version), authorization });
    if (store.instead) {
      store.instead(request, response, url);
      return;
    }
    const isDown = store.failsVoided && url.searchParams.has('voidedStatementId');
    const answer = isDown ? null : answerOf(store, url);
    response.statusCode = isDown ? 503 : answer === null ? 404 : 200;
    response.setHeader('content-type', 'application/json');
    response.end(JSON.stringify(answer));
  });
  const store: RecordStore = {
    address: '',
    statements: [],
    voided: new Map(),
    failsVoided: false,
    asked: [],
    instead: null,
    close: () =>
      new Promise((resolve) => {
        server.closeAllConnections();
        server.close(() => {
          resolve();
        });
      }),
  };
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  store.address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/xapi`;
  return store;
}

const verbs = {
  opened: 'http://adlnet.gov/expapi/verbs/experienced',
  voided: 'http://adlnet.gov/expapi/verbs/voided',
  submit: 'http://activitystrea.ms/schema/1.0/submit',
  scored: 'http://adlnet.gov/expapi/verbs/scored',
};

/** A statement that somebody opened a page. */
export function statement(id: string, name: string, at: string, more: Record<string, unknown> = {}) {
  return {
    id,
    actor: {
      name,
      account: { homePage: 'https://board.example', name: name.toLowerCase().replace(' ', '.') },
    },
    verb: { id: verbs.opened },
    object: { id: 'https://board.example/pages/3', definition: { name: { en: 'Week 3' } } },
    timestamp: at,
    stored: at,
    ...more,
  };
}

export const voiding = (id: string, of: string, at: string) => ({
  ...statement(id, 'The Board', at),
  verb: { id: verbs.voided },
  object: { objectType: 'StatementRef', id: of },
});

/** A statement of Mei's that is about a piece of work. */
export const ofPiece = (
  id: string,
  verb: 'submit' | 'scored',
  at: string,
  result: object = {},
  title = 'Log 1',
) => ({
  ...statement(id, 'Mei Tanaka', at, { result }),
  verb: { id: verbs[verb] },
  object: { id: `https://board.example/${title}`, definition: { name: { en: title } } },
});
