import { monotonicFactory } from 'ulid';
import { Change } from '@slate-path/core/changes/schema';
import type { FieldsOf } from '@slate-path/core/records/schema';
import { shippedStandings } from '@slate-path/core/attendance/roll/standings';
import { shippedFocuses } from '@slate-path/core/observation/tallies/shipped';
import { applyOnce } from '../changes/applyChange';
import type { Teacher } from '../database/entities';
import type { Sql } from '../database/sql';
import type { Services } from '../services';
import { beginSchool } from '../scopes/members';
import { hashPassphrase } from './passphrase';

export interface NewTeacher {
  name: string;
  passphrase: string;
  school: Omit<FieldsOf<'school'>, 'periods'>;
}

/** There is an account already: one of this name, or any at a first start. */
export class AccountExists extends Error {}

/** The account of a name. */
export function accountOf(sql: Sql, name: string): Teacher | undefined {
  return sql.get<Teacher>('SELECT * FROM "teacher" WHERE "name" = ?', name);
}

export function hasTeacher(sql: Sql): boolean {
  return sql.get('SELECT 1 FROM "teacher" LIMIT 1') !== undefined;
}

/**
 * A teacher with a school and the standings that ship, through the one door like everything else, in one
 * transaction: of two at the same moment one is made, and never half of one.
 * @param onlyFirst where there is a teacher already, nothing is made
 * @returns the teacher's id
 * @throws AccountExists
 */
export async function createTeacher(
  { database, clock }: Pick<Services, 'database' | 'clock'>,
  { name, passphrase, school }: NewTeacher,
  { onlyFirst = false } = {},
): Promise<string> {
  // By the server's clock, like the ids of the devices: of two words at one moment the later id decides.
  // Of one moment too they rise, so that what ships keeps its order.
  const next = monotonicFactory();
  const newId = () => next(clock());
  const teacherId = newId();
  const schoolId = newId();
  const now = new Date(clock()).toISOString();
  const passphraseHash = await hashPassphrase(passphrase);
  const beginnings = [
    { kind: 'school.set', payload: { id: schoolId, ...school, periods: [] } },
    ...shippedStandings.map((standing) => ({ kind: 'standing.set', payload: { id: newId(), ...standing } })),
    ...shippedFocuses(newId).map((payload) => ({ kind: 'focus.set', payload })),
  ].map((beginning) => Change.parse({ id: newId(), madeAt: now, device: 'server', ...beginning }));
  await database.write((sql) => {
    if (onlyFirst ? hasTeacher(sql) : accountOf(sql, name)) throw new AccountExists(name);
    sql.run(
      'INSERT INTO "teacher" ("id", "name", "passphraseHash", "createdAt") VALUES (?, ?, ?, ?)',
      teacherId,
      name,
      passphraseHash,
      now,
    );
    beginSchool(sql, { schoolId, personId: teacherId, at: now });
    for (const change of beginnings) applyOnce(sql, change, { teacherId, receivedAt: now });
  });
  return teacherId;
}

/** Gives an account another passphrase, of which only the hash is known here. */
export function setPassphrase(sql: Sql, teacherId: string, passphraseHash: string): void {
  sql.run('UPDATE "teacher" SET "passphraseHash" = ? WHERE "id" = ?', passphraseHash, teacherId);
}
