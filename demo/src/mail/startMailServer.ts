import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { SMTPServer, type SMTPServerDataStream, type SMTPServerSession } from 'smtp-server';
import { behaviourOf, type Behaviour } from './behaviours';
import { Mailbox } from './mailbox';
import { mailboxPage } from './mailboxPage';

export interface MailServerOptions {
  port?: number;
  /** Of the page on which its letters are read. */
  pagePort?: number;
  host?: string;
  /** Letters come encrypted: from the start, or from the greeting on (STARTTLS). */
  encrypted?: { key: string; cert: string; fromTheStart: boolean };
  /** Only whoever knows it hands letters over. */
  account?: { user: string; password: string };
  /** What becomes of a letter to an address; usually what its first word says. */
  behaviour?: (address: string, tries: number) => Behaviour;
}

export interface MailServer {
  port: number;
  /** Where its letters are read. */
  page: string;
  mailbox: Mailbox;
  close(): Promise<void>;
}

class Refusal extends Error {
  constructor(
    readonly responseCode: number,
    message: string,
  ) {
    super(message);
  }
}

const refusals: Partial<Record<Behaviour, [code: number, says: string]>> = {
  nobody: [550, '5.1.1 There is no such mailbox'],
  full: [552, '5.2.2 The mailbox is full'],
  later: [451, '4.7.1 Not now, come again'],
};
const slowMs = 3000;

/** So much of a letter is taken before the connection is cut. */
const cutAfterBytes = 64;

/** Reads a letter, or as much of one as it is to be cut after. */
function bytesOf(stream: SMTPServerDataStream, cut: () => void, isCut: boolean): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const parts: Buffer[] = [];
    let length = 0;
    stream.on('data', (part: Buffer) => {
      parts.push(part);
      length += part.length;
      if (isCut && length >= cutAfterBytes) cut();
    });
    stream.on('end', () => {
      resolve(Buffer.concat(parts));
    });
    stream.on('error', reject);
  });
}

/**
 * A stand-in for a mail server: it speaks SMTP and keeps what it takes in memory, to be read on a page. It can refuse,
 * put off, be slow, and cut a connection in the middle of a letter.
 */
export async function startMailServer(options: MailServerOptions = {}): Promise<MailServer> {
  const { host = '127.0.0.1', behaviour = behaviourOf, encrypted, account } = options;
  const mailbox = new Mailbox();
  const tries = new Map<string, number>();
  const behaviours = new Map<SMTPServerSession, Behaviour>();
  const smtp = new SMTPServer({
    authOptional: !account,
    disabledCommands: [...(encrypted ? [] : ['STARTTLS']), ...(account ? [] : ['AUTH'])],
    ...(encrypted && { key: encrypted.key, cert: encrypted.cert, secure: encrypted.fromTheStart }),
    onAuth({ username, password }, _session, done) {
      const isRight = username === account?.user && password === account?.password;
      done(isRight ? null : new Refusal(535, '5.7.8 Wrong user or password'), { user: username });
    },
    onRcptTo({ address }, session, done) {
      const key = `${session.envelope.mailFrom ? session.envelope.mailFrom.address : ''} ${address}`;
      const tried = tries.get(key) ?? 0;
      tries.set(key, tried + 1);
      const does = behaviour(address, tried);
      behaviours.set(session, does);
      const refusal = refusals[does];
      if (refusal) done(new Refusal(...refusal));
      else if (does === 'slow') setTimeout(done, slowMs);
      else done();
    },
    onData(stream, session, done) {
      const isCut = behaviours.get(session) === 'cut';
      const cut = () => {
        for (const { session: of, _socket } of connections()) if (of === session) _socket.destroy();
      };
      bytesOf(stream, cut, isCut).then(
        (bytes) => {
          if (!isCut) mailbox.add(bytes, session);
          done();
        },
        (error: unknown) => {
          done(error instanceof Error ? error : new Error(String(error)));
        },
      );
    },
  });
  smtp.on('error', () => undefined);
  const connections = () =>
    smtp.connections as unknown as Iterable<{ session: SMTPServerSession; _socket: { destroy(): void } }>;
  await new Promise<void>((resolve) => {
    smtp.listen(options.port ?? 0, host, resolve);
  });
  const pages = http.createServer((request, response) => {
    void mailboxPage(mailbox, request.url ?? '/').then(({ type, body }) => {
      response.writeHead(200, { 'Content-Type': type }).end(body);
    });
  });
  await new Promise<void>((resolve) => {
    pages.listen(options.pagePort ?? 0, host, resolve);
  });
  return {
    port: (smtp.server.address() as AddressInfo).port,
    page: `http://${host}:${(pages.address() as AddressInfo).port}`,
    mailbox,
    close: async () => {
      pages.closeAllConnections();
      pages.close();
      for (const { _socket } of connections()) _socket.destroy();
      await new Promise<void>((resolve) => {
        smtp.close(resolve);
      });
    },
  };
}
