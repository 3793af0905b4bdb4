import { createHash } from 'node:crypto';
import fs from 'node:fs/promises';
import path from 'node:path';
import type { SendMailOptions } from 'nodemailer';
import { bytesOf } from './letter';

const longestName = 128;

/**
 * Where no mail server is set up, letters are kept as `.eml` files (RFC 5322) instead of being sent anywhere. A letter
 * kept twice is the same file, so a crash in between doubles nothing.
 */
export class KeptLetters {
  constructor(private readonly folder: string) {}

  private fileOf(letterId: string): string {
    const name = encodeURIComponent(letterId);
    // A file's name has at most 255 bytes; an id from elsewhere may have more.
    const short = name.length <= longestName ? name : createHash('sha256').update(letterId).digest('hex');
    return path.join(this.folder, `${short}.eml`);
  }

  /** Takes away letters that a stop broke off while they were written: they are waiting still. */
  async dropBroken(): Promise<void> {
    const names = await fs.readdir(this.folder).catch(() => []);
    for (const name of names.filter((found) => found.endsWith('.part')))
      await fs.rm(path.join(this.folder, name), { force: true });
  }

  /** Deletes the copy of a letter, if there is one. */
  async forget(letterId: string): Promise<void> {
    await fs.rm(this.fileOf(letterId), { force: true });
  }

  async keep(letterId: string, mail: SendMailOptions): Promise<void> {
    const bytes = await bytesOf(mail);
    await fs.mkdir(this.folder, { recursive: true, mode: 0o700 });
    const file = this.fileOf(letterId);
    await fs.writeFile(`${file}.part`, bytes, { mode: 0o600 });
    await fs.rename(`${file}.part`, file);
  }
}
