import type { SendMailOptions } from 'nodemailer';
import type { MailFailure } from '@slate-path/core/people/messages/fate';
import type { MailAccess } from './mailSettings';

/** The way to a mail server. */
export interface Transport {
  /** @throws what `failureOf` reads */
  send(mail: SendMailOptions): Promise<void>;
  close(): void;
}

const secondsMs = 1000;
const waits = {
  connectionTimeout: 20 * secondsMs,
  greetingTimeout: 20 * secondsMs,
  dnsTimeout: 20 * secondsMs,
  socketTimeout: 60 * secondsMs,
};

/** One connection, over which one letter goes after the other; it is closed when none was sent for half a minute. */
export async function smtpTransport({ settings, password }: MailAccess): Promise<Transport> {
  // Megabytes that a day without letters does without.
  const { createTransport } = await import('nodemailer');
  const { host, port, security, user } = settings;
  const pool = createTransport({
    ...{ pool: true, host, port, secure: security === 'tls', ...waits },
    ...(security === 'starttls' ? { requireTLS: true } : {}),
    ...(security === 'none' ? { ignoreTLS: true } : {}),
    ...(user === '' ? {} : { auth: { user, pass: password ?? '' } }),
    // A letter of a connection that broke off is tried again by the postman, who remembers it.
    ...{ maxConnections: 1, maxRequeues: 0, idleTimeout: 30 * secondsMs },
  });
  return {
    send: async (mail) => {
      await pool.sendMail(mail);
    },
    close: () => {
      pool.close();
    },
  };
}

/** What was thrown, as it is judged: what the server said besides is left out, for it may repeat what was sent to it. */
export function failureOf(error: unknown): MailFailure {
  if (!(error instanceof Error)) return { message: String(error) };
  const { code, responseCode, command, message, response } = error as Error & {
    code?: string;
    responseCode?: number;
    command?: string;
    response?: string;
  };
  return { code, responseCode, command, message: response ?? message };
}
