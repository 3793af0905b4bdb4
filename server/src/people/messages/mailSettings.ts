import { MailSettings } from '@slate-path/core/people/messages/mailSettings';
import { usualPerMinute } from '@slate-path/core/people/messages/securities';
import { OtherKey, seal, unseal } from '../../accounts/secret';
import type { MailSettingsRow } from '../../database/letterEntities';
import type { Sql } from '../../database/sql';
import type { Sender } from './letter';

/** How letters leave the server, with the password. */
export interface MailAccess {
  settings: MailSettings;
  /** Null where it was sealed by another server, as after a restore: it has to be typed in again. */
  password: string | null;
  /** Who set it up: whoever started the server, or the keeper on Desk. */
  by: 'environment' | 'desk';
}

const id = 'server';

/** As whom letters go out. Where no mail server is set up there is no address either: RFC 2606 keeps this one for that. */
export const senderOf = (access: MailAccess | null): Sender =>
  access
    ? { address: access.settings.sender, replyTo: access.settings.replyTo }
    : { address: 'teacher@slate-path.invalid', replyTo: '' };

/**
 * Mail as whoever starts the server sets it up: SLATE_MAIL_HOST and, where they differ from the usual, SLATE_MAIL_PORT,
 * SLATE_MAIL_SECURITY (`tls`, `starttls` or `none`), SLATE_MAIL_USER, SLATE_MAIL_PASSWORD, SLATE_MAIL_SENDER,
 * SLATE_MAIL_REPLY_TO and SLATE_MAIL_PER_MINUTE. Null where there is none.
 * @throws ZodError where something in it cannot be right
 */
export function mailFrom(environment: NodeJS.ProcessEnv): MailAccess | null {
  const { SLATE_MAIL_HOST: host, SLATE_MAIL_SECURITY: security = 'starttls' } = environment;
  if (!host) return null;
  const settings = MailSettings.parse({
    host,
    port: Number(environment['SLATE_MAIL_PORT'] ?? (security === 'tls' ? 465 : 587)),
    security,
    user: environment['SLATE_MAIL_USER'] ?? '',
    sender: environment['SLATE_MAIL_SENDER'] ?? '',
    replyTo: environment['SLATE_MAIL_REPLY_TO'] ?? '',
    perMinute: Number(environment['SLATE_MAIL_PER_MINUTE'] ?? usualPerMinute),
  });
  return { settings, password: environment['SLATE_MAIL_PASSWORD'] ?? '', by: 'environment' };
}

/** What the keeper has set up on Desk; null where there is nothing. */
export function mailOnDesk(sql: Sql, dataFolder: string): MailAccess | null {
  const row = sql.get<MailSettingsRow>('SELECT * FROM "mailSettings" WHERE "id" = ?', id);
  if (!row) return null;
  const settings = JSON.parse(row.settings) as MailSettings;
  try {
    return { settings, password: row.secret === null ? '' : unseal(dataFolder, row.secret), by: 'desk' };
  } catch (error) {
    if (!(error instanceof OtherKey)) throw error;
    return { settings, password: null, by: 'desk' };
  }
}

/** @param password null: the one that is there stays */
export function setMail(sql: Sql, dataFolder: string, settings: MailSettings, password: string | null): void {
  const written = { id, settings: JSON.stringify(settings) };
  sql.run(
    'INSERT INTO "mailSettings" ("id", "settings") VALUES (:id, :settings) ON CONFLICT DO UPDATE SET "settings" = :settings',
    written,
  );
  if (password !== null)
    sql.run(
      'UPDATE "mailSettings" SET "secret" = ? WHERE "id" = ?',
      password === '' ? null : seal(dataFolder, password),
      id,
    );
}

export function endMail(sql: Sql): void {
  sql.run('DELETE FROM "mailSettings"');
}
