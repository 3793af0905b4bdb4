import { createHash } from 'node:crypto';
import fs from 'node:fs/promises';
import path from 'node:path';

const longestName = 128;

export interface Letter {
  id: string;
  to: { name: string; address: string }[];
  /** Name of whoever writes. */
  from: string;
  subject: string;
  body: string;
  /** ISO moment. */
  writtenAt: string;
}

/**
 * A stand-in for a mail server: it takes letters and keeps each as an `.eml` file (RFC 5322) instead
 * of sending it anywhere. A letter taken twice is the same file, so a crash in between doubles nothing.
 */
export class MailServer {
  constructor(private readonly folder: string) {}

  fileOf(messageId: string): string {
    const name = encodeURIComponent(messageId);
    // A file's name has at most 255 bytes; an id from elsewhere may have more.
    const short = name.length <= longestName ? name : createHash('sha256').update(messageId).digest('hex');
    return path.join(this.folder, `${short}.eml`);
  }

  /** Takes away letters that a stop broke off while they were written: they are waiting still. */
  async dropBroken(): Promise<void> {
    const names = await fs.readdir(this.folder).catch(() => []);
    for (const name of names.filter((found) => found.endsWith('.part')))
      await fs.rm(path.join(this.folder, name), { force: true });
  }

  /** Deletes the copy of a letter, if there is one. */
  async forget(messageId: string): Promise<void> {
    await fs.rm(this.fileOf(messageId), { force: true });
  }

  async take({ id, to, from, subject, body, writtenAt }: Letter): Promise<string> {
    // Thirteen megabytes that a day without letters does without.
    const { createTransport } = await import('nodemailer');
    const transport = createTransport({ streamTransport: true, buffer: true, newline: 'windows' });
    const { message: bytes } = await transport.sendMail({
      from: { name: from, address: 'teacher@slate-path.invalid' },
      to,
      subject,
      text: body,
      date: writtenAt,
      messageId: `<${id}@slate-path.invalid>`,
    });
    await fs.mkdir(this.folder, { recursive: true, mode: 0o700 });
    const file = this.fileOf(id);
    await fs.writeFile(`${file}.part`, bytes as Buffer, { mode: 0o600 });
    await fs.rename(`${file}.part`, file);
    return path.basename(file);
  }
}
