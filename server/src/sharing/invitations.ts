import { createHash, randomBytes } from 'node:crypto';
import { ulid } from 'ulid';
import { invitationDays } from '@slate-path/core/scopes/invitation';
import { AccountExists, accountOf } from '../accounts/accounts';
import { hashPassphrase } from '../accounts/passphrase';
import type { Invitation } from '../database/scopeEntities';
import type { Sql } from '../database/sql';
import type { Services } from '../services';
import { renewAccess } from '../scopes/access';
import { mailLink } from '../people/messages/mailLink';
import { letterOf } from './invitationLetter';
import { openTeaching } from './teachings';

const dayMs = 86_400_000;

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

/**
 * Makes an invitation, and sends it where there is an address.
 * @param linkTo where a token's link leads @returns its token, which nobody has but the caller and whoever gets the mail
 */
export async function invite(
  services: Services,
  wanted: Pick<Invitation, 'schoolId' | 'role' | 'name' | 'sectionId' | 'invitedBy' | 'email'>,
  linkTo: (token: string) => string,
): Promise<{ id: string; token: string; expiresAt: string; mailed: boolean }> {
  const token = randomBytes(24).toString('base64url');
  const now = services.clock();
  const id = ulid(now);
  const expiresAt = new Date(now + invitationDays * dayMs).toISOString();
  const { schoolId, role, name, sectionId, invitedBy, email } = wanted;
  await services.database.write((sql) =>
    sql.run(
      'INSERT INTO "invitation" ("id", "tokenHash", "schoolId", "role", "name", "sectionId", "email", "invitedBy", "madeAt", "expiresAt") VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
      ...[id, hashOf(token), schoolId, role, name, sectionId, email, invitedBy],
      new Date(now).toISOString(),
      expiresAt,
    ),
  );
  const made = invitationOf(services.database.lookUp, token);
  const mailed =
    made !== null &&
    email !== null &&
    (await mailLink(services, (sql) => letterOf(sql, made, linkTo(token), email)));
  return { id, token, expiresAt, mailed };
}

/** A school's invitations that are good still. */
export function openInvitations(sql: Sql, schoolId: string, now: number): Invitation[] {
  return sql.all<Invitation>(
    'SELECT * FROM "invitation" WHERE "schoolId" = ? AND "endedAt" IS NULL AND "usedBy" IS NULL AND "expiresAt" > ? ORDER BY "id"',
    schoolId,
    new Date(now).toISOString(),
  );
}

/** @returns whether there was one of this school to end */
export function endInvitation(sql: Sql, id: string, schoolId: string, at: string): boolean {
  return (
    sql.run(
      'UPDATE "invitation" SET "endedAt" = ? WHERE "id" = ? AND "schoolId" = ? AND "endedAt" IS NULL AND "usedBy" IS NULL',
      at,
      id,
      schoolId,
    ) > 0
  );
}

/** Why an invitation is good no more; null where it is. */
export type WhyNot = 'used' | 'ended' | 'expired';

/** Where a token leads; null for one that never was. */
export function invitationOf(sql: Sql, token: string): Invitation | null {
  return sql.get<Invitation>('SELECT * FROM "invitation" WHERE "tokenHash" = ?', hashOf(token)) ?? null;
}

export function whyNot({ usedBy, endedAt, expiresAt }: Invitation, now: number): WhyNot | null {
  if (usedBy !== null) return 'used';
  if (endedAt !== null) return 'ended';
  return expiresAt <= new Date(now).toISOString() ? 'expired' : null;
}

/** The link was used, or ended, while somebody was typing. */
export class NoLongerGood extends Error {
  constructor(readonly why: WhyNot) {
    super(why);
  }
}

/**
 * Makes the account of whoever was invited, in one transaction with what it is invited to: of two at the same moment
 * one comes in. @returns the account's id @throws NoLongerGood, AccountExists
 */
export async function accept(
  { database, clock }: Services,
  token: string,
  { name, passphrase }: { name: string; passphrase: string },
): Promise<string> {
  const passphraseHash = await hashPassphrase(passphrase);
  const now = clock();
  const at = new Date(now).toISOString();
  const personId = ulid(now);
  await database.write((sql) => {
    const invitation = invitationOf(sql, token);
    const why = invitation ? whyNot(invitation, now) : 'ended';
    if (!invitation || why) throw new NoLongerGood(why ?? 'ended');
    if (accountOf(sql, name)) throw new AccountExists(name);
    sql.run(
      'INSERT INTO "teacher" ("id", "name", "passphraseHash", "createdAt") VALUES (?, ?, ?, ?)',
      ...[personId, name, passphraseHash, at],
    );
    sql.run(
      `INSERT INTO "member" ("personId", "schoolId", "role", "isKeeper", "since", "accessOn") VALUES (?, ?, ?, 0, ?, '')`,
      ...[personId, invitation.schoolId, invitation.role, at],
    );
    sql.run('UPDATE "invitation" SET "usedBy" = ? WHERE "id" = ?', personId, invitation.id);
    renewAccess(sql, personId, '');
    const { sectionId, role } = invitation;
    if (sectionId !== null && role !== 'reader')
      openTeaching(sql, { sectionId, personId, role, startsOn: null, endsOn: null }, personId, now);
  });
  return personId;
}
