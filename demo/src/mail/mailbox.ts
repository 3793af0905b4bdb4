import PostalMime from 'postal-mime';
import type { SMTPServerSession } from 'smtp-server';

/** A letter as it came. */
export interface Received {
  messageId: string;
  from: string;
  /** To whom it was handed, and whom it names. */
  to: string[];
  named: string;
  replyTo: string;
  date: string;
  subject: string;
  text: string;
}

const fields = (bytes: Buffer) => bytes.toString('latin1').split('\r\n\r\n')[0] ?? '';
const idOf = (bytes: Buffer) => /^Message-ID:\s*<([^>]*)>/im.exec(fields(bytes))?.[1] ?? '';

/** What a mail server has taken, in the order in which it came; one with a Message-ID that it has already is the same letter. */
export class Mailbox {
  private readonly letters = new Map<string, { bytes: Buffer; to: string[] }>();
  /** How often each Message-ID was handed over. */
  readonly handed = new Map<string, number>();

  add(bytes: Buffer, { envelope }: Pick<SMTPServerSession, 'envelope'>): void {
    const id = idOf(bytes);
    this.handed.set(id, (this.handed.get(id) ?? 0) + 1);
    if (!this.letters.has(id))
      this.letters.set(id, { bytes, to: envelope.rcptTo.map(({ address }) => address) });
  }

  get size(): number {
    return this.letters.size;
  }

  read(): Promise<Received[]> {
    return Promise.all(
      [...this.letters].map(async ([messageId, { bytes, to }]) => {
        const { from, subject = '', text = '', date = '', replyTo } = await PostalMime.parse(bytes);
        return {
          ...{ messageId, to, subject, text, date },
          from: `${from?.name ?? ''} <${from?.address ?? ''}>`,
          named: /^To: (.*(?:\r\n[ \t].*)*)/m.exec(fields(bytes))?.[1] ?? '',
          replyTo: replyTo?.[0]?.address ?? '',
        };
      }),
    );
  }
}
