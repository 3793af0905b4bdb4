import { createHash, randomBytes } from 'node:crypto';
import { CheckInLinkEntity } from '../../database/entities';
import type { Services } from '../../services';

const lifetimeMs = 120 * 24 * 60 * 60 * 1000;

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

/** What a link leads to. */
export interface LinkedClass {
  teacherId: string;
  sectionId: string;
}

/** Makes a link for a class. @returns its token, which nobody has but the caller */
export async function makeLink(services: Services, linked: LinkedClass): Promise<string> {
  const token = randomBytes(24).toString('base64url');
  const now = Date.now();
  await services.database.inTransaction((manager) =>
    manager.insert(CheckInLinkEntity, {
      tokenHash: hashOf(token),
      ...linked,
      createdAt: new Date(now).toISOString(),
      expiresAt: new Date(now + lifetimeMs).toISOString(),
    }),
  );
  return token;
}

/** Ends every link of a class at once. */
export async function endLinks(services: Services, linked: LinkedClass): Promise<void> {
  await services.database.inTransaction((manager) => manager.delete(CheckInLinkEntity, { ...linked }));
}

/** Where a token leads; null for one that is wrong, has ended, or never was, which nobody can tell apart. */
export function linkedClass(services: Services, token: string): LinkedClass | null {
  const link = services.database.lookUp.get<LinkedClass & { expiresAt: string }>(
    'SELECT "teacherId", "sectionId", "expiresAt" FROM "checkInLink" WHERE "tokenHash" = ?',
    hashOf(token),
  );
  return link && link.expiresAt > new Date().toISOString() ? link : null;
}
