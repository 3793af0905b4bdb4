import { createHash } from 'node:crypto';
import type { SendMailOptions } from 'nodemailer';
import { displayName } from '@slate-path/core/people/names';
import type { Message, Student } from '@slate-path/core/records/schema';
import type { LetterRow } from '../../database/letterEntities';
import type { Sql } from '../../database/sql';
import { letterById } from './letters';

/** As whom letters go out. */
export interface Sender {
  address: string;
  /** Where answers go; empty: to the sender. */
  replyTo: string;
}

/** An id as a Message-ID may have it (RFC 5322, 3.6.4). */
const plainId = (id: string) =>
  /^[A-Za-z0-9][A-Za-z0-9._-]{0,127}$/.test(id) ? id : createHash('sha256').update(id).digest('hex');

const nameIn = (sql: Sql, table: 'teacher', id: string) =>
  sql.get<{ name: string }>(`SELECT "name" FROM "${table}" WHERE "id" = ?`, id)?.name ?? '';

interface Content {
  name: string;
  subject: string;
  body: string;
  /** The other addresses that its reader sees. */
  others: string[];
}

/** The other addresses of a message; where a letter went to one that was set right, not the one before. */
function othersOf(sql: Sql, { addresses, showsAddresses }: Message, letter: LetterRow): string[] {
  if (!showsAddresses) return [];
  const own = new Set([letter.address]);
  for (let before = letter.insteadOf; before !== null;) {
    const found = letterById(sql, before);
    if (found) own.add(found.address);
    before = found?.insteadOf ?? null;
  }
  return addresses.filter((address) => !own.has(address));
}

/** What a letter says; a message's is in its record. Null where that is gone. */
function contentOf(sql: Sql, letter: LetterRow): Content | null {
  const { kind, aboutId, name, subject, body } = letter;
  if (kind !== 'message')
    return subject === null || body === null ? null : { name, subject, body, others: [] };
  const row = sql.get<Omit<Message, 'addresses'> & { addresses: string }>(
    'SELECT * FROM "message" WHERE "id" = ? AND NOT "removed"',
    aboutId,
  );
  if (!row) return null;
  const message: Message = { ...row, addresses: JSON.parse(row.addresses) as string[] };
  const student = sql.get<Student>('SELECT * FROM "student" WHERE "id" = ?', message.studentId);
  if (!student) return null;
  const called = displayName(student);
  const others = othersOf(sql, message, letter);
  return { ...message, others, name: message.toWhom === 'student' ? called : `For ${called}` };
}

/**
 * A letter as it goes out: to one address, which sees another's only where that was asked for, and with one Message-ID however often it is
 * tried. Null where what it says is gone.
 */
export function mailOf(sql: Sql, letter: LetterRow, sender: Sender): SendMailOptions | null {
  const content = contentOf(sql, letter);
  if (!content) return null;
  const { name, subject, body, others } = content;
  const [, domain = 'slate-path.invalid'] = sender.address.split('@');
  return {
    from: { name: nameIn(sql, 'teacher', letter.teacherId), address: sender.address },
    ...(sender.replyTo === '' ? {} : { replyTo: sender.replyTo }),
    to: [{ name, address: letter.address }, ...others],
    // The others get letters of their own.
    envelope: { from: sender.address, to: letter.address },
    subject,
    text: body,
    // As text it would stand in the header as it is, which is no date of RFC 5322.
    date: new Date(letter.writtenAt),
    messageId: `<${plainId(letter.id)}@${domain}>`,
    // What somebody typed is never taken for a file or an address to be fetched.
    disableFileAccess: true,
    disableUrlAccess: true,
  };
}

/** A letter as bytes (RFC 5322). */
export async function bytesOf(mail: SendMailOptions): Promise<Buffer> {
  // Megabytes that a day without letters does without.
  const { createTransport } = await import('nodemailer');
  const transport = createTransport({ streamTransport: true, buffer: true, newline: 'windows' });
  const { message } = await transport.sendMail(mail);
  return message as Buffer;
}
