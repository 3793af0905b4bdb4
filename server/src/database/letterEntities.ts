import { EntitySchema } from 'typeorm';
import type { LetterReason, LetterState } from '@slate-path/core/people/messages/letterStates';
import { flag, nullableText, text } from './columns';

/** A letter to one address: a message, an invitation or a reader's page, on its way. */
export interface LetterRow {
  id: string;
  kind: 'message' | 'invitation' | 'readerPage';
  /** The record that it is about. */
  aboutId: string;
  teacherId: string;
  /** The letter that did not arrive, of which this one has the words. */
  insteadOf: string | null;
  name: string;
  address: string;
  /** Where no record has them; gone as soon as nothing waits for them, for they hold a link. */
  subject: string | null;
  body: string | null;
  writtenAt: string;
  /** Since when it waits: for so long it is tried. */
  queuedAt: string;
  state: LetterState;
  /** How often it was tried, and when it is tried next; null: at once. */
  tries: number;
  nextAt: string | null;
  /** A try has begun and its end was not written down yet. */
  handingSince: string | null;
  mayBeTwice: boolean;
  changedAt: string;
  reason: LetterReason | null;
  /** What the mail server said. */
  said: string | null;
}

/** How letters leave the server; one row. */
export interface MailSettingsRow {
  id: string;
  /** `MailSettings` as JSON. */
  settings: string;
  /** The password, sealed; null where there is none. */
  secret: string | null;
}

export const LetterEntity = new EntitySchema<LetterRow>({
  name: 'letter',
  tableName: 'letter',
  columns: {
    id: { type: 'text', primary: true },
    kind: text,
    aboutId: text,
    teacherId: text,
    insteadOf: nullableText,
    name: text,
    address: text,
    subject: nullableText,
    body: nullableText,
    writtenAt: text,
    queuedAt: text,
    state: text,
    tries: { type: 'integer', default: 0 },
    nextAt: nullableText,
    handingSince: nullableText,
    mayBeTwice: flag,
    changedAt: text,
    reason: nullableText,
    said: nullableText,
  },
  indices: [
    { name: 'letter_by_state', columns: ['state', 'nextAt'] },
    { name: 'letter_by_aboutId', columns: ['aboutId'] },
  ],
  foreignKeys: [{ target: 'teacher', columnNames: ['teacherId'], referencedColumnNames: ['id'] }],
});

export const MailSettingsEntity = new EntitySchema<MailSettingsRow>({
  name: 'mailSettings',
  tableName: 'mailSettings',
  columns: { id: { type: 'text', primary: true }, settings: text, secret: nullableText },
});
